package entaxis.core.sql;

import entaxis.core.expression.Expression;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Numbering;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.targets.ByEngine;
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType.ArrayType;
import entaxis.core.type.SqlType.NativeType;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeSpelling;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * How an engine writes names, types, expressions and definitions: ISO/IEC 9075-2 unless an engine says otherwise.
 * Immutable.
 */
public abstract class Dialect extends ProgramFeatures {
    /** Loaded when it is first asked for: the services are subclasses of this class. */
    private static final class Registered {
        static final ByEngine<Dialect> BY_ENGINE = ByEngine.load(Dialect.class, Dialect::target);
    }

    /**
     * The dialect of an engine.
     *
     * @throws IllegalArgumentException if no dialect is registered for it
     */
    public static Dialect of(Target target) {
        return Registered.BY_ENGINE.get(target);
    }

    /** The engine. */
    public abstract Target target();

    // names

    /** The longest name, in the unit of {@link #length}. */
    public abstract int maxName();

    /** How long a name is for the engine: in characters, or in bytes of UTF-8. */
    public int length(String name) {
        return name.codePointCount(0, name.length());
    }

    /** Bytes of UTF-8 that a name takes. */
    public static int bytes(String name) {
        return name.getBytes(StandardCharsets.UTF_8).length;
    }

    /** Words that cannot be a column or table name without quotes, in lower case. */
    public abstract Set<String> reserved();

    /** A table's name as this engine holds it. */
    public final QualifiedName stored(QualifiedName table) {
        return table.named(stored(table.name()));
    }

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
    public boolean regular(String name) {
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

    /** A name that was written without quotes, as the engine holds it. */
    public String unquoted(String name) {
        return name;
    }

    /**
     * A name as the engine compares it with others: as it is held, in one case of letters where the engine tells none
     * apart.
     */
    public String compared(String name) {
        String stored = stored(name);
        return foldsUp() ? plain(stored) ? stored.toUpperCase(Locale.ROOT) : stored : stored.toLowerCase(Locale.ROOT);
    }

    // types

    /**
     * A type as this engine can hold it, in the form in which {@link #read} gives it back.
     *
     * @param keyed whether the column is part of a key or an index, which some engines do not allow for long texts
     * @param loss  is told, in words, what the engine's type cannot keep
     */
    public abstract SqlType held(SqlType type, boolean keyed, LossReport loss);

    /** A type that scripts or the catalog of this engine say, in the one form that they share. */
    public SqlType own(SqlType type) {
        return held(type, false, LossReport.IGNORED);
    }

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

    /** The type that holds a structured value or an array where the engine has neither. */
    public SqlType document() {
        return new SqlType.JsonType();
    }

    // definitions

    /** A collation as it stands behind COLLATE. */
    public String collation(String name) {
        return name;
    }

    /** What makes a column number its rows. */
    public String identityClause(Identity identity, Optional<Numbering> numbering) {
        return "GENERATED " + (identity == Identity.ALWAYS ? "ALWAYS" : "BY DEFAULT") + " AS IDENTITY"
                + numbering.map(own -> " (START WITH " + own.start() + " INCREMENT BY " + own.step() + ")").orElse("");
    }

    /** What stands behind a computed column, its expression being spelled. */
    public String computedClause(String expression, boolean virtual) {
        return "GENERATED ALWAYS AS (" + expression + ")" + (virtual ? " VIRTUAL" : " STORED");
    }

    /**
     * What stands behind the brackets of CREATE TABLE.
     *
     * @param numbering where its rows begin to be numbered
     * @param comment   empty if there is none or none is wanted
     */
    public String tableOptions(Optional<Numbering> numbering, String comment) {
        return "";
    }

    /** The statement that makes a schema, if it is not there. */
    public String createSchema(String name, Spelling spelling) {
        return "CREATE SCHEMA IF NOT EXISTS " + spelling.name(name);
    }

    /** The statement that adds an extension, if it is not there; nothing for engines without any. */
    public Optional<String> createExtension(String name) {
        return Optional.empty();
    }

    /** A table definition that is passed where the table is there, if CREATE TABLE has no words for that. */
    public String onlyIfAbsent(String definition, String qualifiedName) {
        return definition;
    }

    /** The statement that gives a table, or one of its columns, a comment. */
    public String commentOn(Table table, Optional<String> column, String comment, Spelling spelling) {
        String name = spelling.name(table);
        return "COMMENT ON " + column.map(own -> "COLUMN " + name + "." + spelling.name(own)).orElse("TABLE " + name)
                + " IS " + literal(comment);
    }

    /** The statements that drop what a script creates, where it is there: references, tables, sequences, types. */
    public List<String> drops(Schema schema, List<Table> tables, Spelling spelling) {
        List<String> drops = new ArrayList<>();
        tables.forEach(table -> table.foreignKeys().forEach(key -> drops.add("ALTER TABLE IF EXISTS "
                + spelling.name(table) + " DROP CONSTRAINT IF EXISTS " + spelling.name(key.name()))));
        tables.reversed().forEach(table -> drops.add("DROP TABLE IF EXISTS " + spelling.name(table)));
        schema.sequences().forEach(sequence -> drops.add("DROP SEQUENCE IF EXISTS " + spelling.name(sequence)));
        schema.types().reversed()
                .forEach(type -> drops.add("DROP " + kind(type) + " IF EXISTS " + spelling.name(type.qualifiedName())));
        return drops;
    }

    /** A statement with what ends it in a script, so that the engine's client sends it whole. Linear in its length. */
    public String ended(String statement) {
        return Ending.semicolon(statement.strip());
    }

    /** The version from which on the engine reserves a word that it did not reserve before, by word. */
    public Map<String, String> reservedSince() {
        return Map.of();
    }

    /** What a type definition is called in CREATE, DROP and COMMENT ON. */
    public String kind(TypeDefinition type) {
        return type instanceof DomainDefinition ? "DOMAIN" : "TYPE";
    }

    /** The statement that creates a type of a schema. */
    public String create(TypeDefinition type, String qualifiedName, Schema schema, Function<SqlType, String> spelled) {
        return switch (type) {
            case DomainDefinition domain -> createDomain(domain, qualifiedName, spelled);
            case StructureDefinition structure -> "CREATE TYPE " + qualifiedName + " AS " + fields(structure, spelled);
            case EnumDefinition enumeration ->
                    throw new IllegalArgumentException("this engine has no enumerations: " + enumeration.name());
        };
    }

    /** A domain definition (ISO/IEC 9075-2, 11.34). */
    public String createDomain(DomainDefinition domain, String qualifiedName, Function<SqlType, String> spelled) {
        return "CREATE DOMAIN " + qualifiedName + " AS " + spelled.apply(domain.base())
                + domain.defaultValue().map(expression -> " DEFAULT " + written(expression)).orElse("")
                + domain.checkOfAll().map(this::domainRule).orElse("");
    }

    /** A rule behind a domain definition. */
    public final String domainRule(CheckRule rule) {
        return (rule.name().isEmpty() ? "" : " CONSTRAINT " + name(rule.name())) + " CHECK ("
                + written(rule.condition()) + ")";
    }

    /** Fields of a structured type, in brackets. */
    public String fields(StructureDefinition structure, Function<SqlType, String> spelled) {
        return structure.fields().stream().map(field -> name(field.name()) + " " + spelled.apply(field.type()))
                .collect(Collectors.joining(", ", "(", ")"));
    }

    /** Values of an enumeration, in brackets. */
    public final String values(List<String> values) {
        return values.stream().map(this::literal).collect(Collectors.joining(", ", "(", ")"));
    }

    /** An expression of ISO SQL or of an engine that is close to it, as this engine spells it. */
    public final Expression expression(Expression sql) {
        return switch (Functions.kind(sql)) {
            case RANDOM_UUID -> sql.worded(words -> randomUuid());
            case NOW -> sql.worded(words -> now().orElse(words));
            case NEXT_VALUE -> sql.worded(
                    words -> nextValue(ExpressionSpelling.names(Functions.sequence(sql), this)));
            case OTHER -> ExpressionSpelling.of(sql, this);
        };
    }

    /** The name of a sequence that counts for a column, made of those of the table and the column. */
    public String countingSequence(String table, String column) {
        return stored(table + "_" + column + "_seq");
    }

    /** The next number of a sequence (ISO/IEC 9075-2, 6.14). */
    public String nextValue(String sequence) {
        return "next value for " + sequence;
    }

    /** Words of an expression that are spelled otherwise here, in small letters, each with its spelling. */
    public Map<String, String> exchangedWords() {
        return Map.of();
    }

    /** Whether it has a cast operator, {@code value::type}. */
    public boolean castOperator() {
        return false;
    }

    /**
     * Whether an expression in ISO words can be the default of a column; what is left out is told. By default it has to
     * be of the column's kind, and there is no year 0.
     */
    public boolean fitsAsDefault(Expression expression, SqlType type, LossReport loss) {
        return DefaultKind.fits(expression, type, loss);
    }

    /** Where a type that is created in the schema is held. */
    public Home home(TypeDefinition type) {
        return switch (type) {
            case DomainDefinition domain -> domains();
            case EnumDefinition enumeration -> enumerations();
            case StructureDefinition structure -> structures();
        };
    }

    /** What a type is called in CAST, for engines that do not take the name that it has elsewhere. */
    public String castType(String type) {
        return type;
    }

    /** Whether a constant is true or false as the default of a truth value; empty if it is neither. */
    public Optional<Boolean> truth(String constant) {
        return Optional.empty();
    }

    /** An expression in this engine's words as ISO SQL writes it. */
    public final Expression standard(Expression expression) {
        return expression.worded(this::standard);
    }

    /** The same for its words: names stand in double quotes, and constants are not cast. Linear. */
    public String standard(String expression) {
        return expression;
    }

    /** The text of a view, routine or trigger, with its texts as ISO SQL writes them. Linear. */
    public String withStandardTexts(String program) {
        return program;
    }

    /** An expression as it stands behind DEFAULT; the type is that of the column, as the engine holds it. */
    public Expression columnDefault(Expression spelled, SqlType type) {
        return spelled;
    }

    /** What gives a new random identifier. */
    public String randomUuid() {
        return "gen_random_uuid()";
    }

    /** Whether an expression of this engine gives the present moment. */
    public boolean isNow(Expression expression) {
        return Functions.kind(expression) == Functions.Kind.NOW;
    }

    /** What gives the present moment; as it was written, if left out. */
    public Optional<String> now() {
        return Optional.empty();
    }

    /**
     * Writes an expression of a schema for this engine. A schema holds string literals in ISO SQL form; here they are
     * spelled by the engine's own rules. Linear.
     */
    public final String written(Expression expression) {
        return written(expression.text());
    }

    /** The same for its words. */
    protected String written(String expression) {
        return expression;
    }

    /**
     * The statement that must run before these so that the settings of the session cannot change their meaning; empty
     * if none is needed.
     */
    public Optional<String> preparation(Stream<String> statements) {
        return Optional.empty();
    }

    /** The statement that lets functions speak of what is made behind them, where one is needed. */
    public Optional<String> lateBodies() {
        return Optional.empty();
    }

    /** A string literal. */
    public String literal(String text) {
        return quotedText(text);
    }

    /** A text in quotes, a quote inside it doubled. */
    public static String quotedText(String text) {
        return "'" + text.replace("'", "''") + "'";
    }

    /** An array as an engine without arrays holds it. */
    public SqlType asDocument(ArrayType array, boolean keyed, LossReport loss) {
        loss.say("a list of " + array.element().text() + " is held as one JSON document; nothing checks its elements");
        return held(document(), keyed, loss);
    }
}
