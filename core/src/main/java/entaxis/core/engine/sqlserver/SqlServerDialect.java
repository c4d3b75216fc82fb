package entaxis.core.engine.sqlserver;

import static entaxis.core.sql.HeldTypes.bounded;
import static entaxis.core.sql.HeldTypes.decimal;
import static entaxis.core.sql.HeldTypes.fixed;
import static entaxis.core.sql.HeldTypes.longEnough;
import static entaxis.core.sql.HeldTypes.signedFor;
import static entaxis.core.sql.HeldTypes.text;
import static entaxis.core.sql.NameSpaces.OBJECTS;

import entaxis.core.schema.Identity;
import entaxis.core.schema.Numbering;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.Ending;
import entaxis.core.sql.ForeignTypes;
import entaxis.core.sql.LossReport;
import entaxis.core.sql.NameQuotes;
import entaxis.core.sql.NameSpaces.Space;
import entaxis.core.sql.NameSpaces;
import entaxis.core.sql.ReservedSince;
import entaxis.core.sql.ReservedWords;
import entaxis.core.sql.SpelledTypes;
import entaxis.core.sql.Spelling;
import entaxis.core.sql.TextLiterals;
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType.ArrayType;
import entaxis.core.type.SqlType.BinaryType;
import entaxis.core.type.SqlType.BooleanType;
import entaxis.core.type.SqlType.CharacterType;
import entaxis.core.type.SqlType.DecimalType;
import entaxis.core.type.SqlType.EnumType;
import entaxis.core.type.SqlType.FloatType;
import entaxis.core.type.SqlType.Form;
import entaxis.core.type.SqlType.IntegerSize;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.SqlType.IntervalType;
import entaxis.core.type.SqlType.JsonType;
import entaxis.core.type.SqlType.NativeType;
import entaxis.core.type.SqlType.TimeType;
import entaxis.core.type.SqlType.TimestampType;
import entaxis.core.type.SqlType.UuidType;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeSpelling;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;

/** SQL Server 2016 and later. */
public final class SqlServerDialect extends Dialect {
    /** Reserved key words. SQL Server documentation, “Reserved Keywords (Transact-SQL)”. */
    private static final Set<String> RESERVED = ReservedWords.of(
            "add all alter and any as asc authorization backup begin between break browse bulk by cascade case check "
                    + "checkpoint close clustered coalesce collate column",
            "commit compute constraint contains containstable continue convert create cross current current_date "
                    + "current_time current_timestamp current_user cursor",
            "database dbcc deallocate declare default delete deny desc disk distinct distributed double drop dump else "
                    + "end errlvl escape except exec execute exists exit",
            "external fetch file fillfactor for foreign freetext freetexttable from full function goto grant group "
                    + "having holdlock identity identity_insert identitycol",
            "if in index inner insert intersect into is join key kill left like lineno load merge national nocheck "
                    + "nonclustered not null nullif of off offsets on open",
            "opendatasource openquery openrowset openxml option or order outer over percent pivot plan precision "
                    + "primary print proc procedure public raiserror read",
            "readtext reconfigure references replication restore restrict return revert revoke right rollback rowcount "
                    + "rowguidcol rule save schema securityaudit select",
            "semantickeyphrasetable semanticsimilaritydetailstable semanticsimilaritytable session_user set setuser "
                    + "shutdown some statistics system_user table",
            "tablesample textsize then to top tran transaction trigger truncate try_convert tsequal union unique "
                    + "unpivot update updatetext use user values varying view",
            "waitfor when where while with within writetext");
    /** Types that no other engine has. SQL Server documentation, “Data types (Transact-SQL)”. */
    private static final List<String> OWN = List.of("varchar", "char", "text", "ntext", "image", "money", "smallmoney",
            "datetime", "smalldatetime", "rowversion", "timestamp",
            "xml", "sql_variant", "hierarchyid", "geography", "geometry", "sysname");
    /** SQL Server documentation, “Reserved Keywords”, 2008 to 2022. */
    private static final Map<String, String> RESERVED_SINCE = ReservedSince.of("2008 merge",
            "2012 semantickeyphrasetable semanticsimilaritydetailstable semanticsimilaritytable try_convert",
            "2016 external");
    private static final Map<String, String> EXCHANGED = Map.of("true", "1", "false", "0", "char_length", "len",
            "character_length", "len", "length", "len", "current_date", "cast(getdate() as date)");
    private static final Set<String> ALONE_IN_BATCH =
            Set.of("view", "function", "procedure", "proc", "trigger", "default", "rule");
    private static final int MAX_CHARACTERS = 4000;
    private static final int MAX_BYTES = 8000;
    /**
     * What an index of 1700 bytes holds in two-byte characters, with room for a second column. SQL Server
     * documentation, “Maximum capacity specifications”.
     */
    private static final int MAX_KEY_CHARACTERS = 450;

    @Override
    public boolean refusesSecondCascade() {
        return true;
    }

    @Override
    public Target target() {
        return Target.SQLSERVER;
    }

    /** SQL Server documentation, “Database identifiers”: 128 characters. */
    @Override
    public int maxName() {
        return 128;
    }

    @Override
    public Set<String> reserved() {
        return RESERVED;
    }

    /** Names keep their case. */
    @Override
    public boolean regular(String name) {
        return super.regular(name.toLowerCase(java.util.Locale.ROOT));
    }

    @Override
    public boolean plain(String name) {
        return regular(name) && !reserved().contains(name.toLowerCase(java.util.Locale.ROOT));
    }

    @Override
    public String quoted(String name) {
        return "[" + name.replace("]", "]]") + "]";
    }

    /**
     * SQL Server documentation, “Data types”: Unicode texts, tinyint from 0 to 255, seven digits of a second at most.
     */
    @Override
    public SqlType held(SqlType type, boolean keyed, LossReport loss) {
        return switch (type) {
            case CharacterType(Form form, OptionalInt length) when keyed
                    && length.orElse(Integer.MAX_VALUE) > MAX_KEY_CHARACTERS * 2 -> {
                loss.say("a key holds at most " + MAX_KEY_CHARACTERS + " characters");
                yield text(MAX_KEY_CHARACTERS);
            }
            case CharacterType(Form form, OptionalInt length) when form == Form.FIXED
                    && length.orElse(1) <= MAX_CHARACTERS -> fixed(length.orElse(1));
            case CharacterType(Form form, OptionalInt length) when form != Form.LARGE
                    && length.orElse(Integer.MAX_VALUE) <= MAX_CHARACTERS -> text(length.getAsInt());
            case CharacterType characters -> SqlType.largeText();
            case BinaryType(Form form, OptionalInt length) when keyed && length.orElse(Integer.MAX_VALUE) > 900 ->
                    new BinaryType(Form.VARYING, OptionalInt.of(900));
            case BinaryType(Form form, OptionalInt length) when form == Form.FIXED && length.orElse(1) <= MAX_BYTES ->
                    new BinaryType(form, OptionalInt.of(length.orElse(1)));
            case BinaryType(Form form, OptionalInt length) when form != Form.LARGE
                    && length.orElse(Integer.MAX_VALUE) <= MAX_BYTES -> new BinaryType(Form.VARYING, length);
            case BinaryType binary -> new BinaryType(Form.LARGE, OptionalInt.empty());
            case IntegerType(IntegerSize size, boolean unsigned) when size == IntegerSize.TINYINT ->
                    unsigned ? type : new IntegerType(IntegerSize.SMALLINT, false);
            case IntegerType integer when integer.unsigned() -> signedFor(integer);
            case DecimalType decimal -> bounded(decimal, 38, 38, loss);
            case TimeType(OptionalInt precision, boolean zone) -> {
                if (zone) {
                    loss.say("a time of day has no time zone");
                }
                yield new TimeType(OptionalInt.of(Math.min(7, precision.orElse(0))), false);
            }
            case TimestampType(OptionalInt precision, boolean zone) ->
                    new TimestampType(OptionalInt.of(Math.min(7, precision.orElse(6))), zone);
            case IntervalType interval -> {
                loss.say("a span of time is held as text, unchecked");
                yield text(60);
            }
            case JsonType json -> {
                loss.say("JSON is held as text, unchecked");
                yield keyed ? text(MAX_KEY_CHARACTERS) : SqlType.largeText();
            }
            case EnumType listed -> longEnough(listed);
            case ArrayType array -> asDocument(array, keyed, loss);
            case NativeType(String spelling) ->
                    ForeignTypes.among(OWN, spelling) ? type : held(ForeignTypes.nearest(spelling), keyed, loss);
            default -> type;
        };
    }

    @Override
    public String type(SqlType held) {
        return switch (held) {
            case CharacterType(Form form, OptionalInt length) -> switch (form) {
                case FIXED -> "nchar(" + length.orElse(1) + ")";
                case VARYING -> "nvarchar(" + length.orElse(1) + ")";
                case LARGE -> "nvarchar(max)";
            };
            case BinaryType(Form form, OptionalInt length) when form == Form.LARGE -> "varbinary(max)";
            case IntegerType(IntegerSize size, boolean unsigned) when size == IntegerSize.TINYINT -> "tinyint";
            case IntegerType(IntegerSize size, boolean unsigned) when size == IntegerSize.INTEGER -> "int";
            case DecimalType decimal -> held.text().replace("numeric", "decimal");
            case FloatType(boolean twice) -> twice ? "float" : "real";
            case BooleanType truth -> "bit";
            case TimestampType(OptionalInt precision, boolean zone) ->
                    (zone ? "datetimeoffset(" : "datetime2(") + precision.orElse(7) + ")";
            case UuidType uuid -> "uniqueidentifier";
            default -> held.text();
        };
    }

    /** SQL Server documentation, “Data types”: a number without digits has 18, a moment seven digits of a second. */
    @Override
    public SqlType read(TypeSpelling spelling) {
        OptionalInt first = spelling.number(0);
        boolean max = spelling.arguments().equals(List.of("max"));
        return switch (spelling.name()) {
            case "nvarchar", "national character varying", "national char varying" ->
                    max ? SqlType.largeText() : text(first.orElse(1));
            case "nchar", "national character", "national char" -> fixed(first.orElse(1));
            case "varchar", "character varying", "char varying" ->
                    new NativeType("varchar(" + (max ? "max" : first.orElse(1)) + ")");
            case "char", "character" -> new NativeType("char(" + first.orElse(1) + ")");
            case "varbinary", "binary varying" -> max ? new BinaryType(Form.LARGE, OptionalInt.empty())
                    : new BinaryType(Form.VARYING, OptionalInt.of(first.orElse(1)));
            case "tinyint" -> new IntegerType(IntegerSize.TINYINT, true);
            case "decimal", "numeric", "dec" -> decimal(first.orElse(18), spelling.number(1).orElse(0));
            case "bit" -> new BooleanType();
            case "datetime2" -> new TimestampType(OptionalInt.of(first.orElse(7)), false);
            case "datetimeoffset" -> new TimestampType(OptionalInt.of(first.orElse(7)), true);
            case "time" -> new TimeType(OptionalInt.of(first.orElse(7)), false);
            case "uniqueidentifier" -> new UuidType();
            case "text", "ntext", "image", "money", "smallmoney", "datetime", "smalldatetime", "rowversion",
                    "timestamp", "xml", "sql_variant", "sysname" ->
                    new NativeType(spelling.name());
            default -> SpelledTypes.iso(spelling) instanceof SqlType.JsonType
                    || SpelledTypes.iso(spelling) instanceof EnumType
                    || SpelledTypes.iso(spelling) instanceof IntervalType
                            ? new NativeType(SpelledTypes.plain(spelling.text())) : SpelledTypes.iso(spelling);
        };
    }

    @Override
    public SqlType neutral(SqlType held) {
        return switch (held) {
            case TimeType(OptionalInt precision, boolean zone) -> new TimeType(
                    precision.orElse(7) == 0 ? OptionalInt.empty() : OptionalInt.of(Math.min(6, precision.orElse(6))),
                    zone);
            case TimestampType(OptionalInt precision, boolean zone) ->
                    new TimestampType(precision.orElse(7) >= 6 ? OptionalInt.empty() : precision, zone);
            case NativeType(String spelling) when spelling.equals("sysname") -> text(128);
            default -> super.neutral(held);
        };
    }

    @Override
    public SqlType document() {
        return SqlType.largeText();
    }

    /** SQL Server documentation, CREATE TABLE: there is no RESTRICT; NO ACTION refuses. */
    @Override
    public Set<ReferentialAction> deleteActions() {
        return Set.of(ReferentialAction.NO_ACTION, ReferentialAction.CASCADE, ReferentialAction.SET_NULL,
                ReferentialAction.SET_DEFAULT);
    }

    @Override
    public boolean tellsRestrict() {
        return false;
    }

    @Override
    public boolean deferrable() {
        return false;
    }

    @Override
    public boolean computedVirtual() {
        return true;
    }

    @Override
    public boolean partialIndexes() {
        return true;
    }

    @Override
    public Comments comments() {
        return Comments.STATEMENT;
    }

    @Override
    public boolean commentsOnTypes() {
        return false;
    }

    /** SQL Server documentation, sp_addextendedproperty: the property that its tools show as a description. */
    @Override
    public String commentOn(Table table, Optional<String> column, String comment, Spelling spelling) {
        String home = table.namespace().isEmpty() ? spelling.schema().orElse("dbo") : table.namespace();
        return "EXEC sp_addextendedproperty N'MS_Description', " + literal(comment) + ", N'SCHEMA', " + literal(home)
                + ", N'TABLE', " + literal(table.name())
                + column.map(own -> ", N'COLUMN', " + literal(own)).orElse("");
    }

    @Override
    protected String written(String expression) {
        return expression.chars().allMatch(c -> c < 128) ? expression
                : TextLiterals.respelled(expression, this::literal);
    }

    @Override
    public String literal(String text) {
        return (text.chars().allMatch(c -> c < 128) ? "" : "N") + super.literal(text);
    }

    /** SQL Server documentation, “Date and time data types and functions”, NEWID. */
    @Override
    public String randomUuid() {
        return "newid()";
    }

    @Override
    public Optional<String> now() {
        return Optional.of("sysdatetime()");
    }

    /**
     * Transact-SQL reference, “Collation”: the list is a check, compared by the collation of the database, which by
     * default tells no case apart.
     */
    @Override
    public boolean enumerationsIgnoreCase() {
        return true;
    }

    /** Transact-SQL reference, “Constants”: days and times are written as texts. */
    @Override
    public boolean typedLiterals() {
        return false;
    }

    /** Transact-SQL reference, “computed_column_definition”: the type is that of the expression. */
    @Override
    public boolean typesComputedColumns() {
        return false;
    }

    /** Transact-SQL reference, “computed_column_definition”: NOT NULL only beside PERSISTED. */
    @Override
    public boolean requiresComputed(boolean virtual) {
        return !virtual;
    }

    /** Transact-SQL reference, CAST and “Data types”: text is going away, and a varchar without a length has 30. */
    @Override
    public String castType(String type) {
        return switch (type.toLowerCase(Locale.ROOT)) {
            case "text", "varchar", "character varying" -> "nvarchar(max)";
            case "boolean", "bool" -> "bit";
            default -> type;
        };
    }

    @Override
    public String computedClause(String expression, boolean virtual) {
        return virtual ? "" : "PERSISTED";
    }

    /** Transact-SQL reference, IDENTITY: one in each table. */
    @Override
    public Numbered numbered() {
        return Numbered.ONE_COLUMN;
    }

    /** Transact-SQL reference, SET IDENTITY_INSERT: a number that is given is refused. */
    @Override
    public Identity identity(Identity asked) {
        return Identity.ALWAYS;
    }

    @Override
    public String identityClause(Identity identity, Optional<Numbering> numbering) {
        Numbering numbers = numbering.orElse(Numbering.DEFAULT);
        return "IDENTITY(" + numbers.start() + ", " + numbers.step() + ")";
    }

    /** SQL Server documentation, “Database identifiers”: constraints among all objects, indexes within their table. */
    @Override
    public NameSpaces nameSpaces() {
        Space indexes = NameSpaces.inTable("indexes");
        return NameSpaces.of(List.of(OBJECTS), List.of(OBJECTS, indexes), List.of(OBJECTS), List.of(indexes));
    }

    @Override
    public boolean createsTableIfAbsent() {
        return false;
    }

    @Override
    public String onlyIfAbsent(String definition, String qualifiedName) {
        return "IF OBJECT_ID(" + literal(qualifiedName) + ", N'U') IS NULL\n" + definition;
    }

    /** Transact-SQL reference, CREATE SCHEMA: it stands alone in its batch. */
    @Override
    public String createSchema(String name, Spelling spelling) {
        return "IF SCHEMA_ID(" + literal(name) + ") IS NULL EXEC(" + literal("CREATE SCHEMA " + spelling.name(name))
                + ")";
    }

    @Override
    public Map<String, String> exchangedWords() {
        return EXCHANGED;
    }

    @Override
    public String standard(String expression) {
        return NameQuotes.standard(expression, '[', ']');
    }

    @Override
    public List<String> drops(Schema schema, List<Table> tables, Spelling spelling) {
        List<String> drops = new ArrayList<>();
        tables.forEach(table -> table.foreignKeys().stream().filter(key -> !key.name().isEmpty())
                .forEach(key -> drops.add("IF OBJECT_ID("
                        + literal(spelling.qualified(table.namespace(), key.name()))
                        + ", N'F') IS NOT NULL ALTER TABLE "
                        + spelling.name(table) + " DROP CONSTRAINT " + spelling.name(key.name()))));
        tables.reversed().forEach(table -> drops.add("DROP TABLE IF EXISTS " + spelling.name(table)));
        schema.sequences().forEach(sequence -> drops.add("DROP SEQUENCE IF EXISTS " + spelling.name(sequence)));
        return drops;
    }

    /** SQL Server documentation, “GO”: CREATE VIEW and its like stand alone in their batch. */
    @Override
    public String ended(String statement) {
        String text = statement.strip();
        return ALONE_IN_BATCH.contains(Ending.created(text)) ? Ending.BATCH + text + "\nGO" : Ending.semicolon(text);
    }

    @Override
    public Map<String, String> reservedSince() {
        return RESERVED_SINCE;
    }

    /** Transact-SQL reference, error 1753: the same type, length and scale. */
    @Override
    public boolean refersTo(SqlType own, SqlType referenced) {
        return own.equals(referenced);
    }
}
