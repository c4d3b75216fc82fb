package entaxis.core.sql;

import entaxis.core.design.Target;
import entaxis.core.schema.Schema;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.type.SqlType;
import entaxis.core.type.SqlType.CharacterType;
import entaxis.core.type.SqlType.Form;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.SqlType.NativeType;
import entaxis.core.type.SqlType.UserType;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Function;

/** H2 2.4, which is also the built-in engine. */
final class H2Dialect extends Dialect {
    /** Longest CHAR and VARCHAR. H2 manual, Data Types. */
    private static final int MAX_VARYING = 1_048_576;

    /** Key words that cannot be names. H2 manual, Keywords / Reserved Words. */
    private static final Set<String> RESERVED = Set.of("all", "and", "any", "array", "as", "asymmetric", "authorization", "between", "both", "case", "cast",
            "check", "constraint", "cross", "current_catalog", "current_date", "current_path", "current_role", "current_schema", "current_time",
            "current_timestamp", "current_user", "day", "default", "distinct", "else", "end", "except", "exists", "false", "fetch", "for", "foreign", "from",
            "full", "group", "groups", "having", "hour", "if", "ilike", "in", "inner", "intersect", "interval", "is", "join", "key", "leading", "left",
            "like", "limit", "localtime", "localtimestamp", "minus", "minute", "month", "natural", "not", "null", "offset", "on", "or", "order", "over",
            "partition", "primary", "qualify", "range", "regexp", "right", "row", "rownum", "rows", "second", "select", "session_user", "set", "some",
            "symmetric", "system_user", "table", "to", "top", "trailing", "true", "uescape", "union", "unique", "unknown", "user", "using", "value",
            "values", "when", "where", "window", "with", "year", "_rowid_");

    @Override
    public Target target() {
        return Target.H2;
    }

    /** H2 manual, Limits: 256 characters; counted here in bytes, which is never more. */
    @Override
    int maxNameBytes() {
        return 256;
    }

    @Override
    Set<String> reserved() {
        return RESERVED;
    }

    /** H2 manual, Data Types: no unsigned integers, text beyond 1 048 576 characters is a large object; other engines' own types become text. */
    @Override
    public String type(SqlType type) {
        return switch (type) {
            case IntegerType unsigned when unsigned.unsigned() -> type(signedFor(unsigned));
            case CharacterType(Form form, OptionalInt length) when form == Form.LARGE || length.orElse(1) > MAX_VARYING -> "character large object";
            case SqlType.BinaryType(Form form, OptionalInt length) when form != Form.LARGE && length.orElse(1) > MAX_VARYING -> "blob";
            case NativeType(String spelling) -> spelling.equals("jsonb") ? "json" : "character varying";
            default -> type.text();
        };
    }

    /** H2 manual, Functions: RANDOM_UUID. */
    @Override
    public String expression(String sql) {
        return sql.equalsIgnoreCase("gen_random_uuid()") ? "random_uuid()" : sql;
    }

    @Override
    boolean qualifiesIndexes() {
        return true;
    }

    /** H2 manual, CREATE DOMAIN and Data Types: an enumeration and a row type get a name as domains; the fields of a row type name no domains. */
    @Override
    String create(TypeDefinition type, String qualifiedName, Schema schema, Function<SqlType, String> spelled) {
        return switch (type) {
            case DomainDefinition domain -> createDomain(domain, qualifiedName, spelled);
            case EnumDefinition enumeration -> "CREATE DOMAIN " + qualifiedName + " AS ENUM" + values(enumeration);
            case StructureDefinition structure -> "CREATE DOMAIN " + qualifiedName + " AS ROW" + fields(structure, field -> plain(field, schema, spelled));
        };
    }

    private static String plain(SqlType type, Schema schema, Function<SqlType, String> spelled) {
        Optional<TypeDefinition> definition = schema.types().stream().filter(other -> type.equals(new UserType(other.name()))).findFirst();
        return definition.map(found -> switch (found) {
            case DomainDefinition domain -> spelled.apply(domain.base());
            case EnumDefinition enumeration -> "ENUM" + values(enumeration);
            case StructureDefinition structure -> spelled.apply(type);
        }).orElseGet(() -> spelled.apply(type));
    }
}
