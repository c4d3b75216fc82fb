package entaxis.core.sql;

import entaxis.core.design.Target;
import entaxis.core.type.SqlType.NativeType;
import entaxis.core.type.SqlType.UuidType;
import entaxis.core.type.SqlType;
import java.util.List;
import java.util.Set;

/** MariaDB 10.7 and later: MySQL but for what is said here. */
final class MariaDbDialect extends MySqlDialect {
    /** Words beside MySQL's, and those of MySQL that are free here. MariaDB manual, “Reserved Words”. */
    private static final Set<String> RESERVED = java.util.stream.Stream.concat(
            Dialect.of(Target.MYSQL).reserved().stream(),
            ReservedWords.of(
                    "current_role master_demote_to_replica master_demote_to_slave portion sql_after_gtids "
                            + "sql_before_gtids",
                    "delete_domain_id do_domain_ids general ignore_domain_ids ignore_server_ids intersect "
                            + "master_heartbeat_period offset page_checksum",
                    "parse_vcol_expr ref_system_id returning slow stats_auto_recalc stats_persistent "
                            + "stats_sample_pages")
                    .stream())
            .collect(java.util.stream.Collectors.toUnmodifiableSet());
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
    boolean expressionIndexes() {
        return false;
    }

    @Override
    boolean sequences() {
        return true;
    }
}
