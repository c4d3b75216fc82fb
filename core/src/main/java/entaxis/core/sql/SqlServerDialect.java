package entaxis.core.sql;

import entaxis.core.design.ReferentialAction;
import entaxis.core.design.Target;
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
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;

/** SQL Server 2016 and later. */
final class SqlServerDialect extends Dialect {
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
    int maxName() {
        return 128;
    }

    @Override
    public Set<String> reserved() {
        return RESERVED;
    }

    /** Names keep their case. */
    @Override
    boolean regular(String name) {
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
    SqlType document() {
        return SqlType.largeText();
    }

    /** SQL Server documentation, CREATE TABLE: there is no RESTRICT; NO ACTION refuses. */
    @Override
    Set<ReferentialAction> deleteActions() {
        return Set.of(ReferentialAction.NO_ACTION, ReferentialAction.CASCADE, ReferentialAction.SET_NULL,
                ReferentialAction.SET_DEFAULT);
    }

    @Override
    boolean tellsRestrict() {
        return false;
    }

    @Override
    boolean deferrable() {
        return false;
    }

    @Override
    boolean computedVirtual() {
        return true;
    }

    @Override
    boolean partialIndexes() {
        return true;
    }

    @Override
    Comments comments() {
        return Comments.PROCEDURE;
    }

    @Override
    public String written(String expression) {
        return expression.chars().allMatch(c -> c < 128) ? expression
                : TextLiterals.respelled(expression, this::literal);
    }

    @Override
    public String literal(String text) {
        return (text.chars().allMatch(c -> c < 128) ? "" : "N") + super.literal(text);
    }

    /** SQL Server documentation, “Date and time data types and functions”, NEWID. */
    @Override
    String randomUuid() {
        return "newid()";
    }

    @Override
    Optional<String> now() {
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
    boolean typedLiterals() {
        return false;
    }
}
