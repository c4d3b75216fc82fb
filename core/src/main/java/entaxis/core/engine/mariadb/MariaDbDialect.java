package entaxis.core.engine.mariadb;

import entaxis.core.engine.mysql.MySqlDialect;
import entaxis.core.engine.mysql.MySqlWords;
import entaxis.core.sql.ForeignTypes;
import entaxis.core.sql.LossReport;
import entaxis.core.sql.NameSpaces;
import entaxis.core.sql.ReservedSince;
import entaxis.core.sql.ReservedWords;
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType.NativeType;
import entaxis.core.type.SqlType.UuidType;
import entaxis.core.type.SqlType;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** MariaDB 10.7 and later: MySQL but for what is said here. */
public final class MariaDbDialect extends MySqlDialect {
    /** Words beside MySQL's, and those of MySQL that are free here. MariaDB manual, “Reserved Words”. */
    private static final Set<String> RESERVED = java.util.stream.Stream.concat(
            MySqlWords.RESERVED.stream(),
            ReservedWords.of(
                    "current_role master_demote_to_replica master_demote_to_slave portion sql_after_gtids "
                            + "sql_before_gtids",
                    "delete_domain_id do_domain_ids general ignore_domain_ids ignore_server_ids intersect "
                            + "master_heartbeat_period offset page_checksum",
                    "parse_vcol_expr ref_system_id returning slow stats_auto_recalc stats_persistent "
                            + "stats_sample_pages")
                    .stream())
            .collect(java.util.stream.Collectors.toUnmodifiableSet());
    /** MariaDB manual, “Reserved Words”. */
    private static final Map<String, String> RESERVED_SINCE = ReservedSince.of(
            "10.0 delete_domain_id do_domain_ids ignore_domain_ids ref_system_id", "10.2 over recursive rows window",
            "10.3 except intersect", "10.6 offset", "10.7 row_number");
    private static final List<String> OWN = List.of("inet4", "inet6");

    @Override
    public Target target() {
        return Target.MARIADB;
    }

    @Override
    public Set<String> reserved() {
        return RESERVED;
    }

    /** MariaDB manual, “UUID Data Type” and “INET6”. */
    @Override
    public SqlType held(SqlType type, boolean keyed, LossReport loss) {
        return switch (type) {
            case UuidType uuid -> uuid;
            case NativeType(String spelling) when ForeignTypes.among(OWN, spelling) -> type;
            default -> super.held(type, keyed, loss);
        };
    }

    /** MariaDB manual, “Indexes on Virtual Columns”: an index is ordered by columns only. */
    @Override
    public boolean expressionIndexes() {
        return false;
    }

    @Override
    public boolean sequences() {
        return true;
    }

    /** MariaDB manual, “Generated Columns”: NOT NULL cannot be said of one. */
    @Override
    public boolean requiresComputed(boolean virtual) {
        return false;
    }

    /** MariaDB manual, CONSTRAINT: the names of checks differ within their table. */
    @Override
    public NameSpaces nameSpaces() {
        NameSpaces shared = super.nameSpaces();
        return new NameSpaces(shared.tables(), shared.primaryKeys(), shared.uniqueKeys(),
                List.of(NameSpaces.inTable("checks")), shared.references(), shared.indexes());
    }

    @Override
    public boolean createsIndexIfAbsent() {
        return true;
    }

    /** MariaDB manual, BLOB and TEXT: they take constants as defaults. */
    @Override
    protected boolean takesConstant(SqlType type) {
        return true;
    }

    @Override
    public Map<String, String> reservedSince() {
        return RESERVED_SINCE;
    }
}
