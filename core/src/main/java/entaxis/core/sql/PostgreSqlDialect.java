package entaxis.core.sql;

import entaxis.core.design.Target;
import entaxis.core.schema.Schema;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.type.SqlType;
import entaxis.core.type.SqlType.BinaryType;
import entaxis.core.type.SqlType.IntegerSize;
import entaxis.core.type.SqlType.IntegerType;
import java.util.Set;
import java.util.function.Function;

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

    /** PostgreSQL manual, CREATE TABLE: computed columns are stored. */
    @Override
    String computed() {
        return " STORED";
    }

    @Override
    String kind(TypeDefinition type) {
        return type instanceof DomainDefinition ? "DOMAIN" : "TYPE";
    }

    /** PostgreSQL manual, CREATE TYPE: enumerated and composite types. */
    @Override
    String create(TypeDefinition type, String qualifiedName, Schema schema, Function<SqlType, String> spelled) {
        return switch (type) {
            case DomainDefinition domain -> createDomain(domain, qualifiedName, spelled);
            case EnumDefinition enumeration -> "CREATE TYPE " + qualifiedName + " AS ENUM " + values(enumeration);
            case StructureDefinition structure -> "CREATE TYPE " + qualifiedName + " AS " + fields(structure, spelled);
        };
    }
}
