package entaxis.core.sql;

import entaxis.core.design.Target;
import entaxis.core.schema.Schema;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.type.SqlType;
import entaxis.core.type.SqlType.IntegerSize;
import entaxis.core.type.SqlType.IntegerType;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** How an engine writes names, types and expressions: ISO/IEC 9075-2 unless a subclass says otherwise. */
public abstract sealed class Dialect permits PostgreSqlDialect, H2Dialect {
    private static final Pattern REGULAR = Pattern.compile("[a-z_][a-z0-9_]*");

    /** The dialect of an engine. */
    public static Dialect of(Target target) {
        return switch (target) {
            case POSTGRESQL -> new PostgreSqlDialect();
            case H2 -> new H2Dialect();
        };
    }

    /** The engine. */
    public abstract Target target();

    /** The longest name, in bytes of UTF-8. */
    abstract int maxNameBytes();

    /** Words that cannot be a column or table name without quotes, in lower case. */
    abstract Set<String> reserved();

    /** A name as this engine holds it: one that is too long is cut and gets a number made of the whole name, so that different long names stay different. */
    public String stored(String name) {
        if (name.getBytes(StandardCharsets.UTF_8).length <= maxNameBytes()) {
            return name;
        }
        String mark = "_" + String.format(Locale.ROOT, "%08x", name.hashCode());
        int end = name.length();
        while (name.substring(0, end).getBytes(StandardCharsets.UTF_8).length > maxNameBytes() - mark.length()) {
            end = name.offsetByCodePoints(end, -1);
        }
        return name.substring(0, end) + mark;
    }

    /** A name as it is written in SQL: in quotes only where it needs them. */
    public String name(String name) {
        String stored = stored(name);
        return REGULAR.matcher(stored).matches() && !reserved().contains(stored) ? stored : "\"" + stored.replace("\"", "\"\"") + "\"";
    }

    /** A type as this engine spells it. */
    public String type(SqlType type) {
        return type.text();
    }

    /** Whether the engine has unsigned integers; where not, the next larger type and a check stand in. */
    public boolean hasUnsigned() {
        return false;
    }

    /** What is written behind the expression of a computed column. */
    String computed() {
        return "";
    }

    /** Whether an index is named with its schema. */
    boolean qualifiesIndexes() {
        return false;
    }

    /** What a type definition is called in CREATE, DROP and COMMENT ON. */
    String kind(TypeDefinition type) {
        return "DOMAIN";
    }

    /** The statement that creates a type of a schema. */
    abstract String create(TypeDefinition type, String qualifiedName, Schema schema, Function<SqlType, String> spelled);

    /** A domain definition (ISO/IEC 9075-2, 11.34). */
    String createDomain(DomainDefinition domain, String qualifiedName, Function<SqlType, String> spelled) {
        return "CREATE DOMAIN " + qualifiedName + " AS " + spelled.apply(domain.base()) + domain.defaultValue().map(expression -> " DEFAULT " + expression(expression)).orElse("")
                + domain.check().map(check -> " CONSTRAINT " + name(check.name()) + " CHECK (" + check.condition() + ")").orElse("");
    }

    /** Fields of a structured type, in brackets. */
    String fields(StructureDefinition structure, Function<SqlType, String> spelled) {
        return structure.fields().stream().map(field -> name(field.name()) + " " + spelled.apply(field.type())).collect(Collectors.joining(", ", "(", ")"));
    }

    /** Values of an enumeration, in brackets. */
    static String values(EnumDefinition enumeration) {
        return enumeration.values().stream().map(Dialect::literal).collect(Collectors.joining(", ", "(", ")"));
    }

    /** An expression as this engine spells it. */
    public String expression(String sql) {
        return sql;
    }

    /** A string literal. */
    public static String literal(String text) {
        return "'" + text.replace("'", "''") + "'";
    }

    /** The signed type that holds all values of an unsigned one. */
    static SqlType signedFor(IntegerType type) {
        return switch (type.size()) {
            case TINYINT -> new IntegerType(IntegerSize.SMALLINT, false);
            case SMALLINT -> new IntegerType(IntegerSize.INTEGER, false);
            case INTEGER -> new IntegerType(IntegerSize.BIGINT, false);
            case BIGINT -> new SqlType.DecimalType(java.util.OptionalInt.of(20), java.util.OptionalInt.of(0));
        };
    }
}
