package entaxis.core.sql;

import entaxis.core.design.Target;
import entaxis.core.type.SqlType;
import entaxis.core.type.SqlType.BinaryType;
import entaxis.core.type.SqlType.IntegerSize;
import entaxis.core.type.SqlType.IntegerType;
import java.util.Set;

/** PostgreSQL 16 and later. */
final class PostgreSqlDialect extends Dialect {
    /** Reserved key words, also those that may name a function or type. PostgreSQL manual, appendix C. */
    private static final Set<String> RESERVED = Set.of("all", "analyse", "analyze", "and", "any", "array", "as", "asc", "asymmetric", "authorization", "binary",
            "both", "case", "cast", "check", "collate", "collation", "column", "concurrently", "constraint", "create", "cross", "current_catalog",
            "current_date", "current_role", "current_schema", "current_time", "current_timestamp", "current_user", "default", "deferrable", "desc",
            "distinct", "do", "else", "end", "except", "false", "fetch", "for", "foreign", "freeze", "from", "full", "grant", "group", "having", "ilike",
            "in", "initially", "inner", "intersect", "into", "is", "isnull", "join", "lateral", "leading", "left", "like", "limit", "localtime",
            "localtimestamp", "natural", "not", "notnull", "null", "offset", "on", "only", "or", "order", "outer", "overlaps", "placing", "primary",
            "references", "returning", "right", "select", "session_user", "similar", "some", "symmetric", "system_user", "table", "tablesample", "then",
            "to", "trailing", "true", "union", "unique", "user", "using", "variadic", "verbose", "when", "where", "window", "with");

    @Override
    public Target target() {
        return Target.POSTGRESQL;
    }

    /** PostgreSQL manual, 4.1.1: identifiers are cut at 63 bytes. */
    @Override
    int maxNameBytes() {
        return 63;
    }

    @Override
    Set<String> reserved() {
        return RESERVED;
    }

    /** PostgreSQL manual, chapter 8: no one-byte integer, no unsigned integers, one binary type. */
    @Override
    public String type(SqlType type) {
        return switch (type) {
            case IntegerType unsigned when unsigned.unsigned() -> type(signedFor(unsigned));
            case IntegerType(IntegerSize size, boolean unsigned) when size == IntegerSize.TINYINT -> "smallint";
            case BinaryType binary -> "bytea";
            default -> type.text();
        };
    }
}
