package entaxis.core.engine.oracle;

import static entaxis.core.sql.HeldTypes.bounded;
import static entaxis.core.sql.HeldTypes.decimal;
import static entaxis.core.sql.HeldTypes.fixed;
import static entaxis.core.sql.HeldTypes.longEnough;
import static entaxis.core.sql.HeldTypes.text;

import entaxis.core.schema.ReferentialAction;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.Ending;
import entaxis.core.sql.ForeignTypes;
import entaxis.core.sql.LossReport;
import entaxis.core.sql.NameSpaces.Space;
import entaxis.core.sql.NameSpaces;
import entaxis.core.sql.ReservedWords;
import entaxis.core.sql.SpelledTypes;
import entaxis.core.sql.Spelling;
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
import entaxis.core.type.SqlType.IntervalField;
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
import java.util.function.Function;

/** Oracle Database 19c and later. */
public final class OracleDialect extends Dialect {
    /** Reserved words. Oracle Database SQL Language Reference, appendix E. */
    private static final Set<String> RESERVED = ReservedWords.of(
            "access add all alter and any as asc audit between by char check cluster column column_value comment "
                    + "compress connect create current date decimal default",
            "delete desc distinct drop else exclusive exists file float for from grant group having identified "
                    + "immediate in increment index initial insert integer",
            "intersect into is level like lock long maxextents minus mlslabel mode modify nested_table_id noaudit "
                    + "nocompress not nowait null number of offline on online",
            "option or order pctfree prior public raw rename resource revoke row rowid rownum rows select session set "
                    + "share size smallint start successful synonym",
            "sysdate table then to trigger uid union unique update user validate values varchar varchar2 view whenever "
                    + "where with");
    /** Types that no other engine has. Oracle Database SQL Language Reference, “Data Types”. */
    private static final List<String> OWN = List.of("varchar2", "char", "nvarchar2", "nchar", "nclob", "long",
            "long raw", "rowid", "urowid", "bfile", "xmltype", "float", "sdo_geometry");
    private static final Map<String, String> EXCHANGED =
            Map.of("true", "1", "false", "0", "char_length", "length", "character_length", "length");
    private static final Set<String> BLOCKS = Set.of("function", "procedure", "package", "trigger", "type");
    private static final int MAX_VARCHAR = 4000;
    private static final int MAX_FIXED = 2000;
    private static final int MAX_KEY = 255;

    @Override
    public Target target() {
        return Target.ORACLE;
    }

    /** Oracle Database SQL Language Reference, “Database Object Naming Rules”: 128 bytes. */
    @Override
    public int maxName() {
        return 128;
    }

    @Override
    public int length(String name) {
        return bytes(name);
    }

    @Override
    public Set<String> reserved() {
        return RESERVED;
    }

    /**
     * Oracle Database SQL Language Reference, “Database Object Naming Rules”: a name without quotes begins with a
     * letter.
     */
    @Override
    public boolean regular(String name) {
        return super.regular(name) && !name.startsWith("_");
    }

    @Override
    public boolean foldsUp() {
        return true;
    }

    /**
     * Oracle Database SQL Language Reference, “Data Types”: all exact numbers are NUMBER; no truth values, no times of
     * day.
     */
    @Override
    public SqlType held(SqlType type, boolean keyed, LossReport loss) {
        return switch (type) {
            case CharacterType(Form form, OptionalInt length) when keyed
                    && (form == Form.LARGE || length.orElse(Integer.MAX_VALUE) > MAX_VARCHAR) -> {
                loss.say("a key holds at most " + MAX_KEY + " characters here");
                yield text(MAX_KEY);
            }
            case CharacterType(Form form, OptionalInt length) when form == Form.FIXED
                    && length.orElse(1) <= MAX_FIXED -> fixed(length.orElse(1));
            case CharacterType(Form form, OptionalInt length) when form != Form.LARGE
                    && length.orElse(Integer.MAX_VALUE) <= MAX_VARCHAR -> text(length.getAsInt());
            case CharacterType characters -> SqlType.largeText();
            case BinaryType(Form form, OptionalInt length) when length
                    .orElse(form == Form.FIXED ? 1 : Integer.MAX_VALUE) <= MAX_FIXED && form != Form.LARGE ->
                    new BinaryType(Form.VARYING, OptionalInt.of(length.orElse(1)));
            case BinaryType binary when keyed -> new BinaryType(Form.VARYING, OptionalInt.of(MAX_FIXED));
            case BinaryType binary -> new BinaryType(Form.LARGE, OptionalInt.empty());
            case IntegerType(IntegerSize size, boolean unsigned) -> decimal(switch (size) {
                case TINYINT -> 3;
                case SMALLINT -> 5;
                case INTEGER -> 10;
                case BIGINT -> unsigned ? 20 : 19;
            }, 0);
            case DecimalType decimal when decimal.precision().isPresent() -> bounded(decimal, 38, 38, loss);
            case BooleanType truth -> decimal(1, 0);
            case TimeType time -> {
                loss.say("a time of day is held as the span since midnight");
                yield new IntervalType(IntervalField.DAY, Optional.of(IntervalField.SECOND));
            }
            case TimestampType(OptionalInt precision, boolean zone) when precision.orElse(0) == 6 ->
                    new TimestampType(OptionalInt.empty(), zone);
            case IntervalType(IntervalField from, Optional<IntervalField> to) ->
                    from == IntervalField.YEAR || from == IntervalField.MONTH
                            ? new IntervalType(IntervalField.YEAR, Optional.of(IntervalField.MONTH))
                            : new IntervalType(IntervalField.DAY, Optional.of(IntervalField.SECOND));
            case UuidType uuid -> new BinaryType(Form.VARYING, OptionalInt.of(16));
            case JsonType json -> {
                loss.say("JSON is held as text, unchecked");
                yield keyed ? text(MAX_KEY) : SqlType.largeText();
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
                case FIXED -> "char(" + length.orElse(1) + " char)";
                case VARYING -> "varchar2(" + length.orElse(1) + " char)";
                case LARGE -> "clob";
            };
            case BinaryType(Form form, OptionalInt length) ->
                    form == Form.LARGE ? "blob" : "raw(" + length.orElse(1) + ")";
            case DecimalType(OptionalInt precision, OptionalInt scale) -> precision.isEmpty() ? "number"
                    : "number(" + precision.getAsInt() + (scale.orElse(0) == 0 ? "" : "," + scale.getAsInt()) + ")";
            case FloatType(boolean twice) -> twice ? "binary_double" : "binary_float";
            default -> held.text();
        };
    }

    /**
     * Oracle Database SQL Language Reference, “Data Types”: lengths count bytes unless CHAR is said; ANSI names stand
     * for NUMBER.
     */
    @Override
    public SqlType read(TypeSpelling spelling) {
        OptionalInt first = spelling.number(0);
        boolean characters = !spelling.arguments().isEmpty() && spelling.arguments().getFirst().endsWith(" char");
        return switch (spelling.name()) {
            case "varchar2", "varchar", "character varying", "char varying" ->
                    characters ? text(first.orElse(1)) : new NativeType("varchar2(" + bytesOf(spelling) + ")");
            case "char", "character" ->
                    characters ? fixed(first.orElse(1)) : new NativeType("char(" + bytesOf(spelling) + ")");
            case "nvarchar2", "nchar varying", "national character varying", "national char varying" ->
                    new NativeType("nvarchar2(" + first.orElse(1) + ")");
            case "nchar", "national character", "national char" -> new NativeType("nchar(" + first.orElse(1) + ")");
            case "number" -> spelling.arguments().isEmpty() ? new DecimalType(OptionalInt.empty(), OptionalInt.empty())
                    : first.isEmpty() ? decimal(38, spelling.number(1).orElse(0))
                    : decimal(first.getAsInt(), spelling.number(1).orElse(0));
            case "numeric", "decimal", "dec" -> decimal(first.orElse(38), spelling.number(1).orElse(0));
            case "integer", "int", "smallint" -> decimal(38, 0);
            case "binary_float" -> new FloatType(false);
            case "binary_double" -> new FloatType(true);
            case "float", "real", "double precision" ->
                    new NativeType(spelling.name().equals("float") ? "float(" + first.orElse(126) + ")"
                    : spelling.name().equals("real") ? "float(63)" : "float(126)");
            case "raw" -> new BinaryType(Form.VARYING, OptionalInt.of(first.orElse(1)));
            case "nclob", "long", "long raw", "rowid", "bfile", "xmltype" -> new NativeType(spelling.name());
            case "timestamp with local time zone", "json", "boolean", "enum", "text", "time", "uuid", "bigint",
                    "tinyint", "int8", "bool" -> new NativeType(SpelledTypes.plain(spelling.text()));
            default -> SpelledTypes.iso(spelling) instanceof NativeType own ? own
                    : held(SpelledTypes.iso(spelling), false, LossReport.IGNORED);
        };
    }

    private static String bytesOf(TypeSpelling spelling) {
        return spelling.arguments().isEmpty() ? "1" : spelling.arguments().getFirst();
    }

    /** Whole numbers become integers that are large enough. */
    @Override
    public SqlType neutral(SqlType held) {
        return switch (held) {
            case DecimalType(OptionalInt precision, OptionalInt scale) when scale.orElse(1) == 0
                    && precision.orElse(0) > 0 && precision.getAsInt() <= 18 ->
                    new IntegerType(precision.getAsInt() <= 4 ? IntegerSize.SMALLINT
                            : precision.getAsInt() <= 9 ? IntegerSize.INTEGER : IntegerSize.BIGINT, false);
            case NativeType(String spelling) when spelling.startsWith("float(") -> new FloatType(true);
            case NativeType(String spelling) when spelling.equals("boolean") -> new BooleanType();
            case NativeType(String spelling) when spelling.equals("json") -> new JsonType();
            default -> super.neutral(held);
        };
    }

    @Override
    public Home structures() {
        return Home.SCHEMA;
    }

    @Override
    public SqlType document() {
        return SqlType.largeText();
    }

    /**
     * Oracle Database SQL Language Reference, “constraint”: rows that refer are refused, deleted or set to null; a key
     * that is referred to does not change.
     */
    @Override
    public Set<ReferentialAction> deleteActions() {
        return Set.of(ReferentialAction.NO_ACTION, ReferentialAction.CASCADE, ReferentialAction.SET_NULL);
    }

    @Override
    public Set<ReferentialAction> updateActions() {
        return Set.of(ReferentialAction.NO_ACTION);
    }

    @Override
    public boolean tellsRestrict() {
        return false;
    }

    /** Oracle Database SQL Language Reference, CREATE TABLE: virtual columns only. */
    @Override
    public boolean computedStored() {
        return false;
    }

    @Override
    public boolean computedVirtual() {
        return true;
    }

    @Override
    public boolean expressionIndexes() {
        return true;
    }

    @Override
    public Comments comments() {
        return Comments.STATEMENT;
    }

    /** Oracle Database SQL Language Reference, COMMENT: a view is a table there. */
    @Override
    public boolean commentsOnViewsAsTables() {
        return true;
    }

    /** Oracle Database SQL Language Reference, COMMENT: an empty text takes a comment away. */
    @Override
    public String noComment() {
        return "''";
    }

    /** Oracle Database PL/SQL Language Reference, CREATE TYPE: object types. */
    @Override
    public String create(TypeDefinition type, String qualifiedName, Schema schema, Function<SqlType, String> spelled) {
        return type instanceof StructureDefinition structure
                ? "CREATE TYPE " + qualifiedName + " AS OBJECT " + fields(structure, spelled)
                : super.create(type, qualifiedName, schema, spelled);
    }

    /** Oracle Database SQL Language Reference, “Sequence Pseudocolumns”. */
    @Override
    public String nextValue(String sequence) {
        return sequence + ".nextval";
    }

    /** Oracle Database SQL Language Reference, “Functions”: SYS_GUID. */
    @Override
    public String randomUuid() {
        return "sys_guid()";
    }

    @Override
    public Optional<String> now() {
        return Optional.of("current_timestamp");
    }

    @Override
    public boolean commentsOnTypes() {
        return false;
    }

    /** Oracle Database SQL Language Reference, CREATE TABLE: only one identity column in each table. */
    @Override
    public Numbered numbered() {
        return Numbered.ONE_COLUMN;
    }

    @Override
    public String computedClause(String expression, boolean virtual) {
        return "GENERATED ALWAYS AS (" + expression + ") VIRTUAL";
    }

    /** Oracle Database SQL Language Reference, CAST: not to a CLOB; it has no other text without a length. */
    @Override
    public String castType(String type) {
        boolean text = Set.of("text", "varchar", "character varying").contains(type.toLowerCase(Locale.ROOT));
        return text ? "varchar2(" + MAX_VARCHAR + ")" : type;
    }

    /** Oracle Database SQL Language Reference, “Database Object Naming Rules”; a key has an index of its name. */
    @Override
    public NameSpaces nameSpaces() {
        Space constraints = NameSpaces.inSchema("constraints");
        Space indexes = NameSpaces.inSchema("indexes");
        return NameSpaces.of(List.of(), List.of(constraints, indexes), List.of(constraints), List.of(indexes));
    }

    @Override
    public boolean createsTableIfAbsent() {
        return false;
    }

    /** Oracle Database Error Messages, ORA-00955: there is something of that name. */
    @Override
    public String onlyIfAbsent(String definition, String qualifiedName) {
        return "BEGIN\n  EXECUTE IMMEDIATE " + literal(definition)
                + ";\nEXCEPTION\n  WHEN OTHERS THEN\n    IF SQLCODE <> -955 THEN RAISE; END IF;\nEND;";
    }

    @Override
    public String createSchema(String name, Spelling spelling) {
        return "-- the user " + spelling.name(name)
                + " has to be there: in Oracle a schema is a user\nALTER SESSION SET CURRENT_SCHEMA = "
                + spelling.name(name);
    }

    @Override
    public Map<String, String> exchangedWords() {
        return EXCHANGED;
    }

    @Override
    public List<String> drops(Schema schema, List<Table> tables, Spelling spelling) {
        List<String> drops = new ArrayList<>();
        tables.reversed()
                .forEach(table -> drops
                        .add(quietly("DROP TABLE " + spelling.name(table) + " CASCADE CONSTRAINTS", 942)));
        schema.sequences()
                .forEach(sequence -> drops.add(quietly("DROP SEQUENCE " + spelling.name(sequence), 2289)));
        schema.types().reversed()
                .forEach(type -> drops.add(quietly("DROP TYPE " + spelling.name(type.qualifiedName()), 4043)));
        return drops;
    }

    /** Oracle Database Error Messages: the number that says that there is nothing to drop is not an error here. */
    private static String quietly(String statement, int absent) {
        return "BEGIN EXECUTE IMMEDIATE '" + statement.replace("'", "''")
                + "'; EXCEPTION WHEN OTHERS THEN IF SQLCODE <> -" + absent + " THEN RAISE; END IF; END;";
    }

    /** Oracle SQL*Plus, “/”: it runs a block. */
    @Override
    public String ended(String statement) {
        String text = statement.strip();
        boolean block = BLOCKS.contains(Ending.created(text)) || text.endsWith(";");
        return Ending.semicolon(text) + (block ? "\n/" : "");
    }
}
