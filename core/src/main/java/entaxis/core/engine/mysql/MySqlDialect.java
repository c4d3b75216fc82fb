package entaxis.core.engine.mysql;

import entaxis.core.expression.Expression;
import static entaxis.core.sql.HeldTypes.decimal;
import static entaxis.core.sql.HeldTypes.text;

import entaxis.core.schema.Identity;
import entaxis.core.schema.Numbering;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.Ending;
import entaxis.core.sql.Functions;
import entaxis.core.sql.LossReport;
import entaxis.core.sql.NameQuotes;
import entaxis.core.sql.NameSpaces.Space;
import entaxis.core.sql.NameSpaces;
import entaxis.core.sql.SpelledTypes;
import entaxis.core.sql.Spelling;
import entaxis.core.sql.TextLiterals;
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType.BinaryType;
import entaxis.core.type.SqlType.BooleanType;
import entaxis.core.type.SqlType.CharacterType;
import entaxis.core.type.SqlType.DecimalType;
import entaxis.core.type.SqlType.EnumType;
import entaxis.core.type.SqlType.FloatType;
import entaxis.core.type.SqlType.Form;
import entaxis.core.type.SqlType.IntegerSize;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.SqlType.NativeType;
import entaxis.core.type.SqlType.TimeType;
import entaxis.core.type.SqlType.TimestampType;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeSpelling;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Stream;

/** MySQL 8.0.16 and later, with InnoDB tables. */
public class MySqlDialect extends Dialect {
    private static final int MAX_INDEX_BYTES = 3072;
    private static final int BYTES_OF_CHARACTER = 4;
    /**
     * Longest VARCHAR in four-byte characters that leaves room in a row of 65 535 bytes, and longest that a key of 3072
     * bytes takes. MySQL manual, “InnoDB Limits”.
     */

    @Override
    public Target target() {
        return Target.MYSQL;
    }

    /** MySQL manual, “Identifier Length Limits”: 64 characters. */
    @Override
    public int maxName() {
        return 64;
    }

    @Override
    public Set<String> reserved() {
        return MySqlWords.RESERVED;
    }

    /** MySQL manual, “Identifier Case Sensitivity”: columns keep their case, so every case is regular. */
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
        return "`" + name.replace("`", "``") + "`";
    }

    @Override
    public SqlType held(SqlType type, boolean keyed, LossReport loss) {
        return new MySqlHeldTypes(this).held(type, keyed, loss);
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

    @Override
    public String castType(String type) {
        return MySqlCastType.of(type);
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
    public Home enumerations() {
        return Home.COLUMN;
    }

    /** MySQL manual, “FOREIGN KEY Constraints”: InnoDB refuses SET DEFAULT. */
    @Override
    public Set<ReferentialAction> deleteActions() {
        return Set.of(ReferentialAction.NO_ACTION, ReferentialAction.CASCADE, ReferentialAction.SET_NULL);
    }

    /** MySQL manual, “FOREIGN KEY Constraints”: NO ACTION and RESTRICT are the same. */
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
    public boolean expressionIndexes() {
        return true;
    }

    /** MySQL manual, FOREIGN KEY constraints: an index on the referencing columns is created if there is none. */
    @Override
    public boolean indexesReferences() {
        return true;
    }

    @Override
    public boolean sequences() {
        return false;
    }

    @Override
    public Comments comments() {
        return Comments.INSIDE;
    }

    /** MySQL manual, “String Literals”: a backslash escapes. */
    @Override
    public String literal(String text) {
        return super.literal(text).replace("\\", "\\\\");
    }

    @Override
    protected String written(String expression) {
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
    public String randomUuid() {
        return "uuid()";
    }

    @Override
    public Optional<String> now() {
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

    /** MySQL manual, “Using AUTO_INCREMENT”: one column, the first of an index. */
    @Override
    public Numbered numbered() {
        return Numbered.ONE_INDEXED_COLUMN;
    }

    /** MySQL manual, “Using AUTO_INCREMENT”: a number that is given is taken. */
    @Override
    public Identity identity(Identity asked) {
        return Identity.BY_DEFAULT;
    }

    @Override
    public String identityClause(Identity identity, Optional<Numbering> numbering) {
        return "AUTO_INCREMENT";
    }

    /** MySQL manual, CREATE TABLE: ON UPDATE of a column. */
    @Override
    public boolean setsOnUpdate() {
        return true;
    }

    /** MySQL manual, “Server System Variables”, explicit_defaults_for_timestamp. */
    @Override
    public boolean saysNullable(SqlType type) {
        return type instanceof TimestampType moment && moment.withTimeZone();
    }

    /** MySQL manual, CREATE TABLE: the name of a primary key is always PRIMARY. */
    @Override
    public Optional<String> primaryKeyName() {
        return Optional.of("PRIMARY");
    }

    /** MySQL manual, CREATE TABLE: a unique index is a unique key; they are not told apart. */
    @Override
    public boolean uniqueIndexesAreKeys() {
        return true;
    }

    /** MySQL manual, CREATE TABLE and “FOREIGN KEY Constraints”: indexes in their table, constraints in the schema. */
    @Override
    public NameSpaces nameSpaces() {
        List<Space> indexes = List.of(NameSpaces.inTable("indexes"));
        return new NameSpaces(List.of(), indexes, indexes, List.of(NameSpaces.inSchema("checks")),
                List.of(NameSpaces.inSchema("references")), indexes);
    }

    /** MySQL manual, “CHECK Constraints”: a column that a condition speaks of is not changed by a reference. */
    @Override
    public boolean changesCheckedColumns() {
        return false;
    }

    /** MySQL manual, “FOREIGN KEY Constraints”: SET NULL is refused where the columns are required. */
    @Override
    public boolean takesSetNullOfRequired() {
        return false;
    }

    /** MySQL manual, “Column Prefix Key Parts”. */
    @Override
    public boolean prefixIndexes() {
        return true;
    }

    @Override
    public boolean indexMethodFirst() {
        return true;
    }

    @Override
    public String tableOptions(Optional<Numbering> numbering, String comment) {
        return numbering.map(own -> " AUTO_INCREMENT = " + own.start()).orElse("")
                + (comment.isEmpty() ? "" : " COMMENT = " + literal(comment));
    }

    /** MySQL manual, CREATE DATABASE: a schema is a database. */
    @Override
    public String createSchema(String name, Spelling spelling) {
        return "CREATE DATABASE IF NOT EXISTS " + spelling.name(name);
    }

    /** MySQL manual, “Data Type Default Values”: brackets enclose every default that is not a constant. */
    @Override
    public Expression columnDefault(Expression spelled, SqlType type) {
        boolean now = Functions.kind(spelled) == Functions.Kind.NOW;
        if (type instanceof TimestampType(OptionalInt precision, boolean zone) && now && precision.orElse(0) > 0) {
            return Expression.of("current_timestamp(" + precision.getAsInt() + ")");
        }
        boolean moment = now && type instanceof TimestampType
                && spelled.tree().filter(term -> term.word().equals("current_timestamp")).isPresent();
        boolean plain = takesConstant(type) && (spelled.isConstant() || moment);
        return plain || spelled.standsInBrackets() ? spelled : spelled.worded(words -> "(" + words + ")");
    }

    /** Whether a constant may stand as a default of a type without brackets. */
    protected boolean takesConstant(SqlType type) {
        String spelled = type(type);
        return !spelled.contains("text") && !spelled.contains("blob") && !spelled.equals("json");
    }

    @Override
    public String standard(String expression) {
        return NameQuotes.standard(expression, '`', '`');
    }

    @Override
    public String withStandardTexts(String program) {
        return TextLiterals.ofMySql(program);
    }

    /** MySQL manual, SET: references are not looked at while tables go. */
    @Override
    public List<String> drops(Schema schema, List<Table> tables, Spelling spelling) {
        List<String> drops = new ArrayList<>();
        drops.add("SET FOREIGN_KEY_CHECKS = 0");
        tables.reversed().forEach(table -> drops.add("DROP TABLE IF EXISTS " + spelling.name(table)));
        drops.add("SET FOREIGN_KEY_CHECKS = 1");
        return drops;
    }

    /** MySQL manual, “Defining Stored Programs”: DELIMITER. */
    @Override
    public String ended(String statement) {
        String text = statement.strip();
        if (!Ending.hasInner(text)) {
            return Ending.semicolon(text);
        }
        String sign = "//";
        while (text.contains(sign)) {
            sign += "/";
        }
        return "DELIMITER " + sign + "\n" + text + "\n" + sign + "\nDELIMITER ;";
    }

    @Override
    public Map<String, String> reservedSince() {
        return MySqlWords.RESERVED_SINCE;
    }

    /** MySQL manual, “FOREIGN KEY Constraints”: InnoDB takes any index whose first columns are referred to. */
    @Override
    public boolean referencesAnyIndex() {
        return true;
    }

    /** MySQL manual, ALTER TABLE: FIRST and AFTER. */
    @Override
    public boolean ordersColumns() {
        return true;
    }

    /** MySQL manual, “The DATE, DATETIME, and TIMESTAMP Types”: the year 0 is a value there. */
    @Override
    public boolean fitsAsDefault(Expression expression, SqlType type, LossReport loss) {
        return true;
    }

    /** MySQL manual, “CHECK Constraints”. */
    @Override
    public boolean checksNumberedColumns() {
        return false;
    }

    /** MySQL manual, “FOREIGN KEY Constraints”: numbers of one size and sign; the lengths of texts may differ. */
    @Override
    public boolean refersTo(SqlType own, SqlType referenced) {
        return own.equals(referenced) || own instanceof CharacterType && referenced instanceof CharacterType;
    }

    /** MySQL manual, “InnoDB Limits”: 3072 bytes, four for each character. */
    @Override
    public OptionalInt maxIndexCharacters() {
        return OptionalInt.of(MAX_INDEX_BYTES / BYTES_OF_CHARACTER);
    }
}
