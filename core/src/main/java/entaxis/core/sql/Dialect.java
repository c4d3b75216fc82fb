package entaxis.core.sql;

import entaxis.core.design.ReferentialAction;
import entaxis.core.design.Target;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Schema;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.type.SqlType.ArrayType;
import entaxis.core.type.SqlType.CharacterType;
import entaxis.core.type.SqlType.DecimalType;
import entaxis.core.type.SqlType.EnumType;
import entaxis.core.type.SqlType.Form;
import entaxis.core.type.SqlType.IntegerSize;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.SqlType.NativeType;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeSpelling;
import java.nio.charset.StandardCharsets;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * How an engine writes names, types and expressions, and what it can hold: ISO/IEC 9075-2 unless a subclass says
 * otherwise. Immutable.
 */
public abstract sealed class Dialect
        permits IsoDialect, PostgreSqlDialect, MySqlDialect, SqliteDialect, SqlServerDialect, OracleDialect, H2Dialect {
    private static final Map<Target, Dialect> ALL = new EnumMap<>(Target.class);

    /** Where a type's definition can live. */
    enum Home {
        /** In the schema, under its name. */
        SCHEMA,
        /** In the column that uses it. */
        COLUMN,
        /** Nowhere: something else has to do. */
        NONE
    }

    /** How comments on tables and columns are written. */
    enum Comments {
        /** As statements of their own. */
        STATEMENT,
        /** Inside the table definition. */
        INSIDE,
        /** By a procedure of the engine. */
        PROCEDURE,
        /** The engine has none: they stay in the script as comments of it. */
        NONE
    }

    /** The dialect of an engine. */
    public static synchronized Dialect of(Target target) {
        return ALL.computeIfAbsent(target, Dialect::made);
    }

    private static Dialect made(Target target) {
        return switch (target) {
            case POSTGRESQL -> new PostgreSqlDialect();
            case MYSQL -> new MySqlDialect();
            case MARIADB -> new MariaDbDialect();
            case SQLITE -> new SqliteDialect();
            case SQLSERVER -> new SqlServerDialect();
            case ORACLE -> new OracleDialect();
            case H2 -> new H2Dialect();
            case ISO -> new IsoDialect();
        };
    }

    /** The engine. */
    public abstract Target target();

    // names

    /** The longest name, in the unit of {@link #length}. */
    abstract int maxName();

    /** How long a name is for the engine: in characters, or in bytes of UTF-8. */
    int length(String name) {
        return name.codePointCount(0, name.length());
    }

    /** Bytes of UTF-8 that a name takes. */
    static int bytes(String name) {
        return name.getBytes(StandardCharsets.UTF_8).length;
    }

    /** Words that cannot be a column or table name without quotes, in lower case. */
    public abstract Set<String> reserved();

    /**
     * A name as this engine holds it: one that is too long is cut and gets a number made of the whole name, so that
     * different long names stay different.
     */
    public String stored(String name) {
        if (name.length() <= maxName() / 4 || length(name) <= maxName()) {
            return name;
        }
        String mark = "_" + String.format(Locale.ROOT, "%08x", name.hashCode());
        int end = name.length();
        while (length(name.substring(0, end)) > maxName() - mark.length()) {
            end = name.offsetByCodePoints(end, -1);
        }
        return name.substring(0, end) + mark;
    }

    /** A name as it is written in SQL: in quotes only where it needs them. */
    public String name(String name) {
        String stored = stored(name);
        return plain(stored) ? stored : quoted(stored);
    }

    /** Whether a name can be written without quotes and comes back as it was. */
    public boolean plain(String name) {
        return regular(name) && !reserved().contains(name);
    }

    /** Whether a name is made of the signs that need no quotes, in the case that the engine leaves alone. */
    boolean regular(String name) {
        for (int i = 0; i < name.length(); i++) {
            char sign = name.charAt(i);
            if (!(sign >= 'a' && sign <= 'z' || sign == '_' || i > 0 && sign >= '0' && sign <= '9')) {
                return false;
            }
        }
        return !name.isEmpty();
    }

    /** A name in quotes. */
    public String quoted(String name) {
        return "\"" + name.replace("\"", "\"\"") + "\"";
    }

    /** Whether names without quotes are held in capitals, so that one case of letters stands for all. */
    public boolean foldsUp() {
        return false;
    }

    // types

    /**
     * A type as this engine can hold it, in the form in which {@link #read} gives it back.
     *
     * @param keyed whether the column is part of a key or an index, which some engines do not allow for long texts
     * @param loss  is told, in words, what the engine's type cannot keep
     */
    public abstract SqlType held(SqlType type, boolean keyed, LossReport loss);

    /** A type that this engine holds, as it spells it. */
    public String type(SqlType held) {
        return held.text();
    }

    /** The type that a spelling of this engine stands for; a type that no other engine has stays spelled. */
    public abstract SqlType read(TypeSpelling spelling);

    /** The ISO type that comes nearest to one of this engine's own. */
    public SqlType neutral(SqlType held) {
        return held instanceof NativeType(String spelling) ? ForeignTypes.nearest(spelling) : held;
    }

    /**
     * What the engine does about defined types that spell out to something else: the domain's base, a text for an
     * enumeration.
     */
    Home domains() {
        return Home.NONE;
    }

    Home enumerations() {
        return Home.NONE;
    }

    Home structures() {
        return Home.NONE;
    }

    /** The type that holds a structured value or an array where the engine has neither. */
    SqlType document() {
        return new SqlType.JsonType();
    }

    // what tables can have

    /** The actions that the engine takes when a referenced row is deleted. */
    Set<ReferentialAction> deleteActions() {
        return Set.of(ReferentialAction.values());
    }

    /** The actions that the engine takes when a referenced key is changed. */
    Set<ReferentialAction> updateActions() {
        return deleteActions();
    }

    /** Whether refusing at once and refusing at the end of the statement are told apart. */
    boolean tellsRestrict() {
        return true;
    }

    /** Whether a reference may be checked at the end of the transaction. */
    boolean deferrable() {
        return true;
    }

    /** Whether foreign keys can be added to a table that is there. */
    boolean addsForeignKeys() {
        return true;
    }

    /** Whether computed columns may be stored. */
    boolean computedStored() {
        return true;
    }

    /** Whether computed columns may be computed at each reading. */
    boolean computedVirtual() {
        return false;
    }

    /** Whether an index may cover only some rows. */
    boolean partialIndexes() {
        return false;
    }

    /** Whether an index may be ordered by an expression. */
    boolean expressionIndexes() {
        return false;
    }

    /** Whether an index column may fall. */
    boolean fallingIndexes() {
        return true;
    }

    /** Whether it makes an index for each foreign key by itself. */
    public boolean indexesReferences() {
        return false;
    }

    /** Whether it refuses an action that would reach a table by a second way. */
    public boolean refusesSecondCascade() {
        return false;
    }

    /**
     * A name as the engine compares it with others: as it is held, in one case of letters where the engine tells none
     * apart.
     */
    public String compared(String name) {
        String stored = stored(name);
        return foldsUp() ? plain(stored) ? stored.toUpperCase(Locale.ROOT) : stored : stored.toLowerCase(Locale.ROOT);
    }

    /** Whether it refuses values that do not fit a column's type. */
    public boolean holdsTypes() {
        return true;
    }

    /** Whether a required column of an enumeration takes the first value where none is given. */
    public boolean enumerationsBeginWithFirst() {
        return false;
    }

    /** Whether {@code DATE '2026-01-31'} and the like are understood. */
    boolean typedLiterals() {
        return true;
    }

    /** Whether a value of an enumeration may be written in other letters, upper for lower case. */
    public boolean enumerationsIgnoreCase() {
        return false;
    }

    /** Whether the engine has sequences. */
    boolean sequences() {
        return true;
    }

    /** Whether there are schemas to put tables into. */
    boolean schemas() {
        return true;
    }

    /** How comments are written. */
    Comments comments() {
        return Comments.NONE;
    }

    /** Whether an index is named with its schema. */
    boolean qualifiesIndexes() {
        return false;
    }

    /** What a type definition is called in CREATE, DROP and COMMENT ON. */
    String kind(TypeDefinition type) {
        return type instanceof DomainDefinition ? "DOMAIN" : "TYPE";
    }

    /** The statement that creates a type of a schema. */
    String create(TypeDefinition type, String qualifiedName, Schema schema, Function<SqlType, String> spelled) {
        return switch (type) {
            case DomainDefinition domain -> createDomain(domain, qualifiedName, spelled);
            case StructureDefinition structure -> "CREATE TYPE " + qualifiedName + " AS " + fields(structure, spelled);
            case EnumDefinition enumeration ->
                    throw new IllegalArgumentException("this engine has no enumerations: " + enumeration.name());
        };
    }

    /** A domain definition (ISO/IEC 9075-2, 11.34). */
    String createDomain(DomainDefinition domain, String qualifiedName, Function<SqlType, String> spelled) {
        return "CREATE DOMAIN " + qualifiedName + " AS " + spelled.apply(domain.base())
                + domain.defaultValue().map(expression -> " DEFAULT " + written(expression)).orElse("")
                + domain.check().map(this::domainRule).orElse("");
    }

    /** A rule behind a domain definition. */
    final String domainRule(CheckRule rule) {
        return (rule.name().isEmpty() ? "" : " CONSTRAINT " + name(rule.name())) + " CHECK ("
                + written(rule.condition()) + ")";
    }

    /** Fields of a structured type, in brackets. */
    String fields(StructureDefinition structure, Function<SqlType, String> spelled) {
        return structure.fields().stream().map(field -> name(field.name()) + " " + spelled.apply(field.type()))
                .collect(Collectors.joining(", ", "(", ")"));
    }

    /** Values of an enumeration, in brackets. */
    final String values(java.util.List<String> values) {
        return values.stream().map(this::literal).collect(Collectors.joining(", ", "(", ")"));
    }

    /** An expression of ISO SQL or of an engine that is close to it, as this engine spells it. */
    public final String expression(String sql) {
        return switch (Functions.kind(sql)) {
            case RANDOM_UUID -> randomUuid();
            case NOW -> now().orElse(sql);
            case OTHER -> Expressions.spelled(sql, this);
        };
    }

    /** What gives a new random identifier. */
    String randomUuid() {
        return "gen_random_uuid()";
    }

    /** What gives the present moment; as it was written, if left out. */
    Optional<String> now() {
        return Optional.empty();
    }

    /**
     * Writes an expression of a schema for this engine. A schema holds string literals in ISO SQL form; here they are
     * spelled by the engine's own rules. Linear.
     */
    public String written(String expression) {
        return expression;
    }

    /**
     * The statement that must run before these so that the settings of the session cannot change their meaning; empty
     * if none is needed.
     */
    public Optional<String> preparation(Stream<String> statements) {
        return Optional.empty();
    }

    /** A string literal. */
    public String literal(String text) {
        return quotedText(text);
    }

    /** A text in quotes, a quote inside it doubled. */
    static String quotedText(String text) {
        return "'" + text.replace("'", "''") + "'";
    }

    // shared by the engines' types

    /** The signed type that holds all values of an unsigned one. */
    static SqlType signedFor(IntegerType type) {
        return switch (type.size()) {
            case TINYINT -> new IntegerType(IntegerSize.SMALLINT, false);
            case SMALLINT -> new IntegerType(IntegerSize.INTEGER, false);
            case INTEGER -> new IntegerType(IntegerSize.BIGINT, false);
            case BIGINT -> decimal(20, 0);
        };
    }

    static DecimalType decimal(int precision, int scale) {
        return new DecimalType(OptionalInt.of(precision), OptionalInt.of(scale));
    }

    /** A decimal type with both numbers given and within the engine's bounds. */
    static DecimalType bounded(DecimalType type, int maxPrecision, int maxScale, LossReport loss) {
        if (type.precision().isEmpty()) {
            loss.say("any number of digits becomes " + maxPrecision + " digits, " + Math.min(10, maxScale)
                    + " of them decimals");
            return decimal(maxPrecision, Math.min(10, maxScale));
        }
        int precision = type.precision().getAsInt();
        int scale = type.scale().orElse(0);
        if (precision > maxPrecision || scale > maxScale) {
            loss.say("numbers have at most " + maxPrecision + " digits and " + maxScale + " decimals");
        }
        return decimal(Math.min(precision, maxPrecision), Math.min(scale, Math.min(maxScale, maxPrecision)));
    }

    static CharacterType text(int length) {
        return new CharacterType(Form.VARYING, OptionalInt.of(length));
    }

    static CharacterType fixed(int length) {
        return new CharacterType(Form.FIXED, OptionalInt.of(length));
    }

    /** An array as an engine without arrays holds it. */
    SqlType asDocument(ArrayType array, boolean keyed, LossReport loss) {
        loss.say("a list of " + array.element().text() + " is held as one JSON document; nothing checks its elements");
        return held(document(), keyed, loss);
    }

    /** A listed value as a text that is long enough for every value. */
    static SqlType longEnough(EnumType listed) {
        return text(Math.max(1,
                listed.values().stream().mapToInt(value -> value.codePointCount(0, value.length())).max().orElse(1)));
    }
}
