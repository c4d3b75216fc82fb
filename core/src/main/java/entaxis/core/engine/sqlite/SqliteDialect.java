package entaxis.core.engine.sqlite;

import entaxis.core.expression.Expression;
import entaxis.core.expression.Term;
import static entaxis.core.sql.HeldTypes.decimal;
import static entaxis.core.sql.HeldTypes.fixed;
import static entaxis.core.sql.HeldTypes.longEnough;
import static entaxis.core.sql.HeldTypes.signedFor;
import static entaxis.core.sql.HeldTypes.text;
import static entaxis.core.sql.NameSpaces.OBJECTS;

import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.ForeignTypes;
import entaxis.core.sql.LossReport;
import entaxis.core.sql.NameQuotes;
import entaxis.core.sql.NameSpaces.Space;
import entaxis.core.sql.NameSpaces;
import entaxis.core.sql.ReservedSince;
import entaxis.core.sql.ReservedWords;
import entaxis.core.sql.SpelledTypes;
import entaxis.core.sql.Spelling;
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType.ArrayType;
import entaxis.core.type.SqlType.BinaryType;
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

/** SQLite 3.35 and later. */
public final class SqliteDialect extends Dialect {
    /**
     * Words that need quotes as names. SQLite documentation, “SQLite Keywords”; those that fall back to names are left
     * out.
     */
    private static final Set<String> RESERVED = ReservedWords.of(
            "add all alter and as autoincrement between case check collate commit constraint create cross current_date "
                    + "current_time current_timestamp default",
            "deferrable delete distinct drop else escape except exists foreign from full group having in index inner "
                    + "insert intersect into is isnull join left limit",
            "natural not notnull null on or order outer primary references returning right select set table then to "
                    + "transaction union unique update using values when",
            "where nothing cast if");

    /** SQLite release notes. */
    private static final Map<String, String> RESERVED_SINCE = ReservedSince.of("3.24 nothing", "3.35 returning");
    private static final Map<String, String> EXCHANGED = Map.of("char_length", "length", "character_length", "length");
    private static final Set<String> MOMENTS = Set.of("current_timestamp", "current_date", "current_time");

    @Override
    public Target target() {
        return Target.SQLITE;
    }

    /** SQLite documentation, “Implementation Limits”: names have no limit of their own. */
    @Override
    public int maxName() {
        return 1000;
    }

    @Override
    public Set<String> reserved() {
        return RESERVED;
    }

    /** SQLite keeps the case of a name as it was first written. */
    @Override
    public boolean regular(String name) {
        return super.regular(name.toLowerCase(java.util.Locale.ROOT));
    }

    @Override
    public boolean plain(String name) {
        return regular(name) && !reserved().contains(name.toLowerCase(java.util.Locale.ROOT));
    }

    /**
     * SQLite documentation, “Datatypes In SQLite”: a declared type gives an affinity and keeps its words; lengths are
     * not checked.
     */
    @Override
    public SqlType held(SqlType type, boolean keyed, LossReport loss) {
        return switch (type) {
            case CharacterType(Form form, OptionalInt length) when form == Form.FIXED -> fixed(length.orElse(1));
            case CharacterType(Form form, OptionalInt length) when form == Form.VARYING && length.isEmpty() ->
                    SqlType.largeText();
            case BinaryType binary -> new BinaryType(Form.LARGE, OptionalInt.empty());
            case IntegerType integer when integer.unsigned() && integer.size() == IntegerSize.BIGINT -> {
                loss.say("numbers over 9223372036854775807 do not fit");
                yield new IntegerType(IntegerSize.BIGINT, false);
            }
            case IntegerType integer when integer.unsigned() -> signedFor(integer);
            case DecimalType decimal when decimal.precision().isPresent() -> {
                if (decimal.precision().getAsInt() > 15) {
                    loss.say("numbers of more than 15 digits are rounded");
                }
                yield decimal(decimal.precision().getAsInt(), decimal.scale().orElse(0));
            }
            case TimeType(OptionalInt precision, boolean zone) when zone -> new TimeType(precision, false);
            case TimestampType(OptionalInt precision, boolean zone) when zone -> {
                loss.say("the time zone has to be part of the text");
                yield new TimestampType(precision, false);
            }
            case IntervalType interval -> {
                loss.say("a span of time is held as text, unchecked");
                yield text(60);
            }
            case UuidType uuid -> fixed(36);
            case JsonType json -> SqlType.largeText();
            case EnumType listed -> longEnough(listed);
            case ArrayType array -> asDocument(array, keyed, loss);
            case NativeType own -> held(ForeignTypes.nearest(own.spelling()), keyed, loss);
            default -> type;
        };
    }

    /** SQLite takes any words for a type. */
    @Override
    public SqlType read(TypeSpelling spelling) {
        SqlType iso = SpelledTypes.iso(spelling);
        return iso instanceof EnumType || iso instanceof DecimalType && spelling.arguments().size() > 2
                ? new NativeType(SpelledTypes.plain(spelling.text())) : iso;
    }

    /** SQLite documentation, “Datatypes In SQLite”, 3.1: the words of a type give its affinity. */
    @Override
    public SqlType neutral(SqlType held) {
        if (!(held instanceof NativeType(String spelling))) {
            return held;
        }
        String words = spelling.toLowerCase(java.util.Locale.ROOT);
        SqlType known = ForeignTypes.nearest(spelling);
        if (!known.equals(SqlType.largeText())) {
            return known;
        }
        return words.contains("int") ? new IntegerType(IntegerSize.BIGINT, false)
                : words.contains("char") || words.contains("clob") || words.contains("text") ? SqlType.largeText()
                : words.isEmpty() || words.contains("blob") ? new BinaryType(Form.LARGE, OptionalInt.empty())
                : words.contains("real") || words.contains("floa") || words.contains("doub") ? new FloatType(true)
                : known;
    }

    @Override
    public SqlType document() {
        return SqlType.largeText();
    }

    /** SQLite documentation, “ALTER TABLE”: foreign keys are part of the table's definition. */
    @Override
    public boolean addsForeignKeys() {
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
    public boolean expressionIndexes() {
        return true;
    }

    /** SQLite documentation, “Datatypes in SQLite”: types are affinities, and any value is taken. */
    @Override
    public boolean holdsTypes() {
        return false;
    }

    @Override
    public boolean sequences() {
        return false;
    }

    @Override
    public boolean schemas() {
        return false;
    }

    /** SQLite documentation, “Built-In Scalar SQL Functions” and “CREATE TABLE”, 3.2. */
    @Override
    public String randomUuid() {
        return "(lower(hex(randomblob(16))))";
    }

    @Override
    public Optional<String> now() {
        return Optional.of("current_timestamp");
    }

    /**
     * SQLite documentation, “SQL Language Expressions”, 3: literals are numbers, texts, blobs and the words of the
     * current moment.
     */
    @Override
    public boolean typedLiterals() {
        return false;
    }

    /** SQLite documentation, CREATE TABLE: the type of a column is optional. */
    @Override
    public boolean columnsWithoutType() {
        return true;
    }

    /** SQLite documentation, “ROWIDs and the INTEGER PRIMARY KEY”. */
    @Override
    public Numbered numbered() {
        return Numbered.PRIMARY_KEY;
    }

    /** SQLite documentation, CREATE INDEX: indexes among tables; the names of constraints are not looked at. */
    @Override
    public NameSpaces nameSpaces() {
        List<Space> constraints = List.of(NameSpaces.inTable("constraints"));
        return NameSpaces.of(List.of(OBJECTS), constraints, constraints, List.of(OBJECTS));
    }

    @Override
    public boolean createsIndexIfAbsent() {
        return true;
    }

    @Override
    public Map<String, String> exchangedWords() {
        return EXCHANGED;
    }

    /** SQLite documentation, CREATE TABLE, 3.2: brackets enclose every default that is not a constant. */
    @Override
    public Expression columnDefault(Expression spelled, SqlType type) {
        boolean constant = MOMENTS.contains(spelled.text().strip().toLowerCase(Locale.ROOT)) || spelled.isConstant();
        return spelled.standsInBrackets() || constant ? spelled : spelled.worded(words -> "(" + words + ")");
    }

    /** SQLite documentation, “SQLite Keywords”: names in square brackets and backticks are taken too. */
    @Override
    public String standard(String expression) {
        return NameQuotes.standard(NameQuotes.standard(expression, '[', ']'), '`', '`');
    }

    /** SQLite documentation, PRAGMA foreign_keys: references are not looked at while tables go. */
    @Override
    public List<String> drops(Schema schema, List<Table> tables, Spelling spelling) {
        List<String> drops = new ArrayList<>();
        drops.add("PRAGMA foreign_keys = off");
        tables.reversed().forEach(table -> drops.add("DROP TABLE IF EXISTS " + spelling.name(table)));
        drops.add("PRAGMA foreign_keys = on");
        return drops;
    }

    @Override
    public Map<String, String> reservedSince() {
        return RESERVED_SINCE;
    }

    /** SQLite documentation, ALTER TABLE: a table that is made again has its columns in the order that is wanted. */
    @Override
    public boolean ordersColumns() {
        return true;
    }

    /** SQLite documentation, “Datatypes In SQLite”: the words of a declared type are kept. */
    @Override
    public SqlType own(SqlType type) {
        return type;
    }

    /** SQLite documentation, “Date And Time Functions”. */
    @Override
    public boolean isNow(Expression expression) {
        List<String> arguments = expression.tree().filter(term -> term.isCall("datetime"))
                .map(term -> term.parts().stream().map(Term::word).toList()).orElse(List.of());
        return super.isNow(expression) || arguments.equals(List.of("now"))
                || arguments.equals(List.of("now", "localtime"));
    }

    /** SQLite documentation, “Datatypes In SQLite”: each column takes values of any kind. */
    @Override
    public boolean fitsAsDefault(Expression expression, SqlType type, LossReport loss) {
        return true;
    }
}
