package entaxis.core.engine.duckdb;

import static entaxis.core.sql.HeldTypes.bounded;
import static entaxis.core.sql.NameSpaces.OBJECTS;

import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.CreationOrder;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.ForeignTypes;
import entaxis.core.sql.LossReport;
import entaxis.core.sql.NameSpaces;
import entaxis.core.sql.NameSpaces.Space;
import entaxis.core.sql.ReservedWords;
import entaxis.core.sql.SpelledTypes;
import entaxis.core.sql.Spelling;
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType;
import entaxis.core.type.SqlType.ArrayType;
import entaxis.core.type.SqlType.BinaryType;
import entaxis.core.type.SqlType.CharacterType;
import entaxis.core.type.SqlType.DecimalType;
import entaxis.core.type.SqlType.Form;
import entaxis.core.type.SqlType.IntegerSize;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.SqlType.IntervalType;
import entaxis.core.type.SqlType.NativeType;
import entaxis.core.type.SqlType.TimeType;
import entaxis.core.type.SqlType.TimestampType;
import entaxis.core.type.TypeSpelling;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;

/** DuckDB 1.5. */
public final class DuckDbDialect extends Dialect {
    /** Key words that cannot be names. DuckDB documentation, “Keywords and Identifiers”; duckdb_keywords(). */
    private static final Set<String> RESERVED = ReservedWords.of(
            "all analyse analyze and any array as asc asymmetric both case cast check collate column constraint create "
                    + "default deferrable desc describe distinct do else end except",
            "false fetch for foreign from group having in initially intersect into lambda lateral leading limit not "
                    + "null offset on only or order pivot pivot_longer pivot_wider",
            "placing primary qualify references returning select show some summarize symmetric table then to trailing "
                    + "true union unique unpivot using variadic when where window with",
            "anti asof at authorization binary by collation columns concurrently cross freeze full "
                    + "generated glob ilike inner is isnull join left like map natural notnull outer overlaps "
                    + "positional right semi similar struct tablesample try_cast unpack verbose");
    /** Types that no other engine has. DuckDB documentation, “Data Types”. */
    private static final List<String> OWN = List.of("interval", "hugeint", "uhugeint", "bignum", "bit", "timestamp_s",
            "timestamp_ms", "timestamp_ns", "struct", "map", "union", "variant", "geometry");
    private static final List<String> NOT_IN_KEYS =
            List.of("interval", "struct", "map", "union", "variant", "geometry");
    /** DuckDB documentation, “Numeric Types”: a DECIMAL has 38 digits at most. */
    private static final int MAX_DIGITS = 38;
    /** The digits of a DECIMAL where none are given, and those behind the point. */
    private static final DecimalType DEFAULT_DECIMAL = new DecimalType(OptionalInt.of(18), OptionalInt.of(3));
    private static final SqlType TEXT = new CharacterType(Form.VARYING, OptionalInt.empty());

    @Override
    public Target target() {
        return Target.DUCKDB;
    }

    /** DuckDB documentation, “Keywords and Identifiers”: names have no limit of their own. */
    @Override
    public int maxName() {
        return 1000;
    }

    @Override
    public Set<String> reserved() {
        return RESERVED;
    }

    /** DuckDB documentation, “Keywords and Identifiers”: the case of a name is kept and not looked at. */
    @Override
    public boolean regular(String name) {
        return super.regular(name.toLowerCase(Locale.ROOT));
    }

    @Override
    public boolean plain(String name) {
        return regular(name) && !reserved().contains(name.toLowerCase(Locale.ROOT));
    }

    /** DuckDB documentation, “Data Types”: one type for texts, one for bytes; both take any length. */
    @Override
    public SqlType held(SqlType type, boolean keyed, LossReport loss) {
        return switch (type) {
            case CharacterType(Form form, OptionalInt length) -> {
                length.ifPresent(limit -> loss.say("a text takes any length; the limit of " + limit + " is not kept"));
                yield TEXT;
            }
            case BinaryType(Form form, OptionalInt length) -> {
                length.ifPresent(limit -> loss.say("bytes take any length; the limit of " + limit + " is not kept"));
                yield new BinaryType(Form.LARGE, OptionalInt.empty());
            }
            case DecimalType decimal -> bounded(decimal, MAX_DIGITS, MAX_DIGITS, loss);
            case TimeType(OptionalInt precision, boolean zone) -> new TimeType(OptionalInt.empty(), zone);
            case TimestampType(OptionalInt precision, boolean zone) -> new TimestampType(OptionalInt.empty(), zone);
            case IntervalType interval when keyed -> unkeyed("a span of time", loss);
            case IntervalType interval -> new NativeType("interval");
            case ArrayType array when keyed -> unkeyed("a list", loss);
            case NativeType(String spelling) when keyed && ForeignTypes.among(NOT_IN_KEYS, spelling) ->
                    unkeyed(spelling, loss);
            case NativeType(String spelling) ->
                    ForeignTypes.among(OWN, spelling) ? type : held(ForeignTypes.nearest(spelling), keyed, loss);
            case ArrayType(SqlType element) -> new ArrayType(held(element, keyed, loss));
            default -> type;
        };
    }

    /** Seen on DuckDB 1.5: “Invalid type for index key”. */
    private static SqlType unkeyed(String what, LossReport loss) {
        loss.say("a key or index takes no values of this kind (" + what + "); here they are texts, unchecked");
        return TEXT;
    }

    @Override
    public String type(SqlType held) {
        return switch (held) {
            case IntegerType(IntegerSize size, boolean unsigned) when unsigned ->
                    "u" + size.name().toLowerCase(Locale.ROOT);
            case ArrayType(SqlType element) -> type(element) + "[]";
            default -> held.text();
        };
    }

    /** DuckDB documentation, “Data Types” with their aliases. */
    @Override
    public SqlType read(TypeSpelling spelling) {
        return switch (spelling.name()) {
            case "string", "bpchar" -> TEXT;
            case "bytea" -> new BinaryType(Form.LARGE, OptionalInt.empty());
            case "int1" -> new IntegerType(IntegerSize.TINYINT, false);
            case "short" -> new IntegerType(IntegerSize.SMALLINT, false);
            case "" -> SqlType.integer();   // SIGNED, which says nothing more
            case "long", "oid" -> new IntegerType(IntegerSize.BIGINT, false);
            case "int128" -> new NativeType("hugeint");
            case "utinyint", "uint8" -> new IntegerType(IntegerSize.TINYINT, true);
            case "usmallint", "uint16" -> new IntegerType(IntegerSize.SMALLINT, true);
            case "uinteger", "uint32" -> new IntegerType(IntegerSize.INTEGER, true);
            case "ubigint", "uint64" -> new IntegerType(IntegerSize.BIGINT, true);
            case "float" -> new SqlType.FloatType(false);
            case "logical" -> new SqlType.BooleanType();
            case "datetime", "timestamp_us" -> new TimestampType(OptionalInt.empty(), false);
            case "numeric", "decimal", "dec" ->
                    spelling.number(0).isPresent() ? SpelledTypes.iso(spelling) : DEFAULT_DECIMAL;
            default -> SpelledTypes.iso(spelling) instanceof NativeType own ? own
                    : held(SpelledTypes.iso(spelling), false, LossReport.IGNORED);
        };
    }

    /** DuckDB documentation, “Enum Data Type”: a column may list its values itself. */
    @Override
    public Home enumerations() {
        return Home.COLUMN;
    }

    /** DuckDB documentation, CREATE SEQUENCE: no column numbers itself, but its default may ask a sequence. */
    @Override
    public boolean numbers(SqlType type) {
        return false;
    }

    /** Seen on DuckDB 1.5: nextval finds no sequence whose name has a double quote in it. */
    @Override
    public String countingSequence(String table, String column) {
        return super.countingSequence(table, column).replace("\"", "");
    }

    @Override
    public String nextValue(String sequence) {
        return "nextval(" + literal(sequence) + ")";
    }

    /** DuckDB documentation, CREATE TABLE, “Foreign Key Constraints”: they refuse, and do nothing else. */
    @Override
    public Set<ReferentialAction> deleteActions() {
        return Set.of(ReferentialAction.NO_ACTION);
    }

    @Override
    public boolean tellsRestrict() {
        return false;
    }

    @Override
    public boolean deferrable() {
        return false;
    }

    /** DuckDB documentation, ALTER TABLE: foreign keys are part of the table's definition. */
    @Override
    public boolean addsForeignKeys() {
        return false;
    }

    /** Seen on DuckDB 1.5: the table that is referred to has to be there. */
    @Override
    public boolean refersAhead() {
        return false;
    }

    /** Seen on DuckDB 1.5: both columns have the same type. */
    @Override
    public boolean refersTo(SqlType own, SqlType referenced) {
        return own.equals(referenced);
    }

    /** Seen on DuckDB 1.5: “foreign keys across different schemas” are refused. */
    @Override
    public boolean refersAcrossSchemas() {
        return false;
    }

    /** Seen on DuckDB 1.5: duckdb_constraints() gives each a name of its own making. */
    @Override
    public boolean keepsConstraintNames() {
        return false;
    }

    /** DuckDB documentation, CREATE TABLE, “Generated Columns”. */
    @Override
    public boolean computedStored() {
        return false;
    }

    @Override
    public boolean computedVirtual() {
        return true;
    }

    /** Seen on DuckDB 1.5: “Constraints on generated columns are not supported yet”. */
    @Override
    public boolean requiresComputed(boolean virtual) {
        return false;
    }

    @Override
    public boolean constrainsComputed() {
        return false;
    }

    @Override
    public boolean expressionIndexes() {
        return true;
    }

    /** DuckDB documentation, “Indexes”: the order of a column is read over. */
    @Override
    public boolean fallingIndexes() {
        return false;
    }

    @Override
    public boolean createsIndexIfAbsent() {
        return true;
    }

    /** DuckDB documentation, CREATE INDEX: an index is in the schema of its table; constraints have no names. */
    @Override
    public NameSpaces nameSpaces() {
        List<Space> constraints = List.of(NameSpaces.inTable("constraints"));
        return NameSpaces.of(List.of(OBJECTS), constraints, constraints,
                List.of(NameSpaces.inSchema("indexes")));
    }

    @Override
    public Comments comments() {
        return Comments.STATEMENT;
    }

    /** DuckDB documentation, “Timestamp Functions”: none takes a number of digits. */
    @Override
    public Optional<String> now() {
        return Optional.of("current_timestamp");
    }

    /** DuckDB documentation, COMMENT ON. */
    @Override
    public Set<ProgramKind> commentedPrograms() {
        return Set.of(ProgramKind.VIEW);
    }

    @Override
    public boolean commentsOnSequences() {
        return true;
    }

    /** DuckDB documentation, “Casting”. */
    @Override
    public boolean castOperator() {
        return true;
    }

    @Override
    public boolean castsTextToAnyType() {
        return true;
    }

    /** The catalog words expressions in its own way (seen on DuckDB 1.5, duckdb_constraints()). */
    @Override
    public String standard(String expression) {
        return DuckDbExpression.standard(expression);
    }

    @Override
    public List<String> drops(Schema schema, List<Table> tables, Spelling spelling) {
        List<String> drops = new ArrayList<>();
        new CreationOrder(tables).tables().reversed()
                .forEach(table -> drops.add("DROP TABLE IF EXISTS " + spelling.name(table)));
        schema.sequences().forEach(sequence -> drops.add("DROP SEQUENCE IF EXISTS " + spelling.name(sequence)));
        return drops;
    }

    /** DuckDB documentation, “Boolean Type” and “Casting”: some texts mean true or false. */
    @Override
    public Optional<Boolean> truth(String constant) {
        return DuckDbExpression.truth(constant);
    }
}
