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
import java.util.stream.Stream;

/** MySQL 8.0.16 and later, with InnoDB tables. */
sealed class MySqlDialect extends Dialect permits MariaDbDialect {
    /** Reserved words. MySQL manual, “Keywords and Reserved Words”. */
    private static final Set<String> RESERVED = ReservedWords.of(
            "accessible add all alter analyze and as asc asensitive before between bigint binary blob both by call "
                    + "cascade case change char character check collate",
            "column condition constraint continue convert create cross cube cume_dist current_date current_time "
                    + "current_timestamp current_user cursor database",
            "databases day_hour day_microsecond day_minute day_second dec decimal declare default delayed delete "
                    + "dense_rank desc describe deterministic distinct",
            "distinctrow div double drop dual each else elseif empty enclosed escaped except exists exit explain false "
                    + "fetch first_value float float4 float8 for force",
            "foreign from fulltext function generated get grant group grouping groups having high_priority "
                    + "hour_microsecond hour_minute hour_second if ignore in index",
            "infile inner inout insensitive insert int int1 int2 int3 int4 int8 integer intersect interval into "
                    + "io_after_gtids io_before_gtids is iterate join json_table",
            "key keys kill lag last_value lateral lead leading leave left like limit linear lines load localtime "
                    + "localtimestamp lock long longblob longtext loop",
            "low_priority manual master_bind master_ssl_verify_server_cert match maxvalue mediumblob mediumint "
                    + "mediumtext middleint minute_microsecond minute_second",
            "mod modifies natural not no_write_to_binlog nth_value ntile null numeric of on optimize optimizer_costs "
                    + "option optionally or order out outer outfile over",
            "parallel partition percent_rank precision primary procedure purge qualify range rank read reads "
                    + "read_write real recursive references regexp release rename",
            "repeat replace require resignal restrict return revoke right rlike row rows row_number schema schemas "
                    + "second_microsecond select sensitive separator set show",
            "signal smallint spatial specific sql sqlexception sqlstate sqlwarning sql_big_result sql_calc_found_rows "
                    + "sql_small_result ssl starting stored",
            "straight_join system table tablesample terminated then tinyblob tinyint tinytext to trailing trigger true "
                    + "undo union unique unlock unsigned update usage use",
            "using utc_date utc_time utc_timestamp values varbinary varchar varcharacter varying virtual when where "
                    + "while window with write xor year_month zerofill",
            // Names of functions, which end where a bracket follows. MySQL manual, “Function Name Parsing and
            // Resolution”.
            "adddate bit_and bit_or bit_xor cast count curdate curtime date_add date_sub extract group_concat max mid "
                    + "min now position session_user std stddev stddev_pop stddev_samp subdate substr",
            "substring sum sysdate system_user trim variance var_pop var_samp");
    /** Types that no other engine has. MySQL manual, chapter “Data Types”. */
    private static final List<String> OWN = List.of("mediumint", "year", "set", "bit", "tinytext", "text", "mediumtext",
            "tinyblob", "blob", "mediumblob", "geometry", "point",
            "linestring", "polygon", "multipoint", "multilinestring", "multipolygon", "geometrycollection", "float",
            "double");
    /**
     * Longest VARCHAR in four-byte characters that leaves room in a row of 65 535 bytes, and longest that a key of 3072
     * bytes takes. MySQL manual, “InnoDB Limits”.
     */
    private static final int MAX_VARCHAR = 16_000;
    private static final int MAX_KEY_VARCHAR = 255;
    private static final int MAX_FIXED = 255;

    @Override
    public Target target() {
        return Target.MYSQL;
    }

    /** MySQL manual, “Identifier Length Limits”: 64 characters. */
    @Override
    int maxName() {
        return 64;
    }

    @Override
    public Set<String> reserved() {
        return RESERVED;
    }

    /** MySQL manual, “Identifier Case Sensitivity”: columns keep their case, so every case is regular. */
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
        return "`" + name.replace("`", "``") + "`";
    }

    /** MySQL manual, “Data Types”: fractions of a second have to be asked for, keys hold short texts only. */
    @Override
    public SqlType held(SqlType type, boolean keyed, LossReport loss) {
        return switch (type) {
            case CharacterType(Form form, OptionalInt length) when form == Form.FIXED
                    && length.orElse(1) <= MAX_FIXED -> fixed(length.orElse(1));
            case CharacterType(Form form, OptionalInt length) when keyed
                    && (form == Form.LARGE || length.orElse(Integer.MAX_VALUE) > 3 * MAX_KEY_VARCHAR) -> {
                loss.say("a key holds at most " + MAX_KEY_VARCHAR + " characters");
                yield text(MAX_KEY_VARCHAR);
            }
            case CharacterType(Form form, OptionalInt length) when form != Form.LARGE
                    && length.orElse(Integer.MAX_VALUE) <= MAX_VARCHAR -> text(length.getAsInt());
            case CharacterType(Form form, OptionalInt length) -> {
                if (length.isPresent()) {
                    loss.say("lengths over " + MAX_VARCHAR + " become text without a limit of its own");
                }
                yield SqlType.largeText();
            }
            case BinaryType(Form form, OptionalInt length) when form == Form.FIXED && length.orElse(1) <= MAX_FIXED ->
                    new BinaryType(form, OptionalInt.of(length.orElse(1)));
            case BinaryType(Form form, OptionalInt length) when keyed
                    && (form == Form.LARGE || length.orElse(Integer.MAX_VALUE) > 3072) -> {
                loss.say("a key holds at most " + MAX_KEY_VARCHAR + " bytes here");
                yield new BinaryType(Form.VARYING, OptionalInt.of(MAX_KEY_VARCHAR));
            }
            case BinaryType(Form form, OptionalInt length) when form != Form.LARGE
                    && length.orElse(Integer.MAX_VALUE) <= MAX_VARCHAR -> new BinaryType(Form.VARYING, length);
            case BinaryType binary -> new BinaryType(Form.LARGE, OptionalInt.empty());
            case DecimalType decimal -> bounded(decimal, decimal.precision().isEmpty() ? 38 : 65, 30, loss);
            case TimeType(OptionalInt precision, boolean zone) -> {
                if (zone) {
                    loss.say("a time of day has no time zone");
                }
                yield new TimeType(OptionalInt.of(Math.min(6, precision.orElse(0))), false);
            }
            case TimestampType(OptionalInt precision, boolean zone) -> {
                if (zone) {
                    loss.say("timestamp ends in 2038 and keeps the moment, not the zone");
                }
                yield new TimestampType(OptionalInt.of(Math.min(6, precision.orElse(6))), zone);
            }
            case IntervalType interval -> {
                loss.say("a span of time is held as text, unchecked");
                yield text(60);
            }
            case UuidType uuid -> {
                loss.say("36 characters hold an identifier, unchecked");
                yield fixed(36);
            }
            case ArrayType array -> asDocument(array, keyed, loss);
            case JsonType json when keyed -> text(MAX_KEY_VARCHAR);
            case NativeType(String spelling) ->
                    ForeignTypes.among(OWN, spelling) ? type : held(ForeignTypes.nearest(spelling), keyed, loss);
            default -> type;
        };
    }

    @Override
    public String type(SqlType held) {
        return switch (held) {
            case CharacterType(Form form, OptionalInt length) when form == Form.LARGE -> "longtext";
            case BinaryType(Form form, OptionalInt length) when form == Form.LARGE -> "longblob";
            case IntegerType(IntegerSize size, boolean unsigned) when size == IntegerSize.INTEGER ->
                    unsigned ? "int unsigned" : "int";
            case FloatType(boolean twice) -> twice ? "double" : "float";
            case DecimalType decimal -> held.text().replace("numeric", "decimal");
            case TimeType(OptionalInt precision, boolean zone) -> "time" + digits(precision);
            case TimestampType(OptionalInt precision, boolean zone) ->
                    (zone ? "timestamp" : "datetime") + digits(precision);
            case EnumType(List<String> values) -> "enum" + values(values);
            default -> held.text();
        };
    }

    private static String digits(OptionalInt precision) {
        return precision.orElse(0) == 0 ? "" : "(" + precision.getAsInt() + ")";
    }

    /**
     * MySQL manual, “String Data Type Syntax”: TEXT(M) and BLOB(M) become the smallest of their kind that holds so
     * much; a character takes up to four bytes.
     */
    private static SqlType sized(String kind, int length) {
        long bytes = kind.equals("text") ? 4L * length : length;
        String size = bytes < 1 << 8 ? "tiny" : bytes < 1 << 16 ? "" : bytes < 1 << 24 ? "medium" : "long";
        return size.equals("long")
                ? kind.equals("text") ? SqlType.largeText() : new BinaryType(Form.LARGE, OptionalInt.empty())
                : new NativeType(size + kind);
    }

    /**
     * MySQL manual, “Data Types”: display widths mean nothing, but for {@code tinyint(1)}, which stands for true or
     * false.
     */
    @Override
    public SqlType read(TypeSpelling spelling) {
        OptionalInt first = spelling.number(0);
        boolean zeros = spelling.text().toLowerCase(java.util.Locale.ROOT).contains("zerofill");
        boolean unsigned = spelling.unsigned() || zeros;
        return switch (spelling.name()) {
            case "tinyint", "int1" -> first.orElse(0) == 1 && !unsigned ? new BooleanType()
                    : new IntegerType(IntegerSize.TINYINT, unsigned);
            case "smallint", "int2" -> new IntegerType(IntegerSize.SMALLINT, unsigned);
            case "int", "integer", "int4" -> new IntegerType(IntegerSize.INTEGER, unsigned);
            case "mediumint", "int3", "middleint" -> new NativeType(unsigned ? "mediumint unsigned" : "mediumint");
            case "bigint", "int8", "serial" ->
                    new IntegerType(IntegerSize.BIGINT, unsigned || spelling.name().equals("serial"));
            case "decimal", "numeric", "dec", "fixed" -> decimal(first.orElse(10), spelling.number(1).orElse(0));
            case "float",
                    "float4" -> spelling.arguments().size() == 2
                            ? new NativeType("float(" + String.join(",", spelling.arguments()) + ")")
                            : new FloatType(first.orElse(0) > 24);
            case "double", "double precision", "real",
                    "float8" -> spelling.arguments().size() == 2
                            ? new NativeType("double(" + String.join(",", spelling.arguments()) + ")")
                    : new FloatType(true);
            case "datetime" -> new TimestampType(OptionalInt.of(first.orElse(0)), false);
            case "timestamp" -> new TimestampType(OptionalInt.of(first.orElse(0) > 6 ? 0 : first.orElse(0)), true);
            case "time" -> new TimeType(OptionalInt.of(first.orElse(0)), false);
            case "longtext" -> SqlType.largeText();
            case "long", "long varchar" -> new NativeType("mediumtext");
            case "text", "blob" -> spelling.number(0).isEmpty() ? new NativeType(spelling.name())
                    : sized(spelling.name(), spelling.number(0).getAsInt());
            case "longblob", "long varbinary" -> new BinaryType(Form.LARGE, OptionalInt.empty());
            case "tinytext", "mediumtext", "tinyblob", "mediumblob", "year" -> new NativeType(spelling.name());
            case "bit" -> new NativeType("bit(" + first.orElse(1) + ")");
            case "set" -> new NativeType("set" + values(spelling.arguments()));
            case "varbinary" -> new BinaryType(Form.VARYING, first);
            case "varcharacter" -> new CharacterType(Form.VARYING, first);
            default -> SpelledTypes.iso(spelling);
        };
    }

    @Override
    public SqlType neutral(SqlType held) {
        return switch (held) {
            case TimeType(OptionalInt precision, boolean zone) when precision.orElse(1) == 0 ->
                    new TimeType(OptionalInt.empty(), zone);
            case TimestampType(OptionalInt precision, boolean zone) when precision.orElse(1) == 6 ->
                    new TimestampType(OptionalInt.empty(), zone);
            default -> super.neutral(held);
        };
    }

    @Override
    Home enumerations() {
        return Home.COLUMN;
    }

    /** MySQL manual, “FOREIGN KEY Constraints”: InnoDB refuses SET DEFAULT. */
    @Override
    Set<ReferentialAction> deleteActions() {
        return Set.of(ReferentialAction.NO_ACTION, ReferentialAction.CASCADE, ReferentialAction.SET_NULL);
    }

    /** MySQL manual, “FOREIGN KEY Constraints”: NO ACTION and RESTRICT are the same. */
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
    boolean expressionIndexes() {
        return true;
    }

    /** MySQL manual, FOREIGN KEY constraints: an index on the referencing columns is created if there is none. */
    @Override
    public boolean indexesReferences() {
        return true;
    }

    @Override
    boolean sequences() {
        return false;
    }

    @Override
    Comments comments() {
        return Comments.INSIDE;
    }

    /** MySQL manual, “String Literals”: a backslash escapes. */
    @Override
    public String literal(String text) {
        return super.literal(text).replace("\\", "\\\\");
    }

    @Override
    public String written(String expression) {
        return expression.indexOf('\\') < 0 ? expression : TextLiterals.respelled(expression, this::literal);
    }

    /**
     * MySQL manual, “Server SQL Modes”: with NO_BACKSLASH_ESCAPES a backslash is a sign like any other, so a script
     * that has one says that it is not.
     */
    @Override
    public Optional<String> preparation(Stream<String> statements) {
        return statements.anyMatch(statement -> statement.indexOf('\\') >= 0)
                ? Optional.of("SET SESSION sql_mode = REPLACE(@@sql_mode, 'NO_BACKSLASH_ESCAPES', '')")
                : Optional.empty();
    }

    /** MySQL manual, “Miscellaneous Functions”. */
    @Override
    String randomUuid() {
        return "uuid()";
    }

    @Override
    Optional<String> now() {
        return Optional.of("current_timestamp");
    }

    /** MySQL manual, “The ENUM Type”: values are compared by the collation, which by default tells no case apart. */
    @Override
    public boolean enumerationsIgnoreCase() {
        return true;
    }

    /** MySQL manual, “The ENUM Type”: the default of a required column is the first element of the list. */
    @Override
    public boolean enumerationsBeginWithFirst() {
        return true;
    }
}
