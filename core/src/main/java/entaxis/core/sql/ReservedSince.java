package entaxis.core.sql;

import entaxis.core.design.Target;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/**
 * From which version on an engine reserves a word that it did not reserve before. Scripts quote a word that any version
 * reserves; this says what queries that were written earlier meet. MySQL manual, “Keywords and Reserved Words” (5.7,
 * 8.0, 8.4, 9); MariaDB manual, “Reserved Words”; PostgreSQL manual, appendix “SQL Key Words” (9.0 to 18); SQLite
 * release notes; SQL Server documentation, “Reserved Keywords” (2008 to 2022); H2 manual, “Keywords / Reserved Words”
 * and its change log. Words that were reserved all along are not listed.
 */
final class ReservedSince {
    private static final Map<Target, Map<String, String>> VERSIONS = Map.of(
            Target.MYSQL,
            table("5.6 get io_after_gtids io_before_gtids master_bind partition",
                    "5.7 generated optimizer_costs stored virtual", "8.0.1 cube function grouping of recursive",
                    "8.0.2 cume_dist dense_rank first_value groups lag last_value lead nth_value ntile over "
                            + "percent_rank rank row row_number rows window",
                    "8.0.3 system", "8.0.4 empty except json_table",
                    "8.0.14 lateral", "8.0.31 intersect", "8.4 manual parallel qualify tablesample"),
            Target.MARIADB,
            table("10.0 delete_domain_id do_domain_ids ignore_domain_ids ref_system_id",
                    "10.2 over recursive rows window", "10.3 except intersect", "10.6 offset", "10.7 row_number"),
            Target.POSTGRESQL, table("9.3 lateral", "9.5 tablesample", "16 system_user"),
            Target.SQLITE, table("3.24 nothing", "3.35 returning"),
            Target.SQLSERVER,
            table("2008 merge",
                    "2012 semantickeyphrasetable semanticsimilaritydetailstable semanticsimilaritytable try_convert",
                    "2016 external"),
            Target.H2,
            table("1.4.198 array case end groups interval intersect over qualify range regexp rows user window",
                    "2.0 and any asymmetric authorization between cast current_catalog current_path "
                            + "current_role current_schema day default else hour ilike in key minute month or second "
                            + "session_user set some symmetric system_user to uescape unknown using value when year"));

    private ReservedSince() { }

    private static Map<String, String> table(String... lines) {
        Map<String, String> versions = new HashMap<>();
        for (String line : lines) {
            String[] words = line.split(" ");
            for (int i = 1; i < words.length; i++) {
                versions.put(words[i], words[0]);
            }
        }
        return Map.copyOf(versions);
    }

    /** The version from which on an engine reserves a word, in small letters; none if it always did, or never. */
    static Optional<String> version(Target engine, String word) {
        return Optional.ofNullable(VERSIONS.getOrDefault(engine, Map.of()).get(word));
    }
}
