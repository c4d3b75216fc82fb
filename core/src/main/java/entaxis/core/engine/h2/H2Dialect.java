package entaxis.core.engine.h2;

import static entaxis.core.sql.HeldTypes.decimal;
import static entaxis.core.sql.HeldTypes.fixed;
import static entaxis.core.sql.HeldTypes.signedFor;

import entaxis.core.schema.Schema;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.ForeignTypes;
import entaxis.core.sql.LossReport;
import entaxis.core.sql.NameSpaces.Space;
import entaxis.core.sql.NameSpaces;
import entaxis.core.sql.ReservedSince;
import entaxis.core.sql.ReservedWords;
import entaxis.core.sql.SpelledTypes;
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType.ArrayType;
import entaxis.core.type.SqlType.BinaryType;
import entaxis.core.type.SqlType.BooleanType;
import entaxis.core.type.SqlType.CharacterType;
import entaxis.core.type.SqlType.DecimalType;
import entaxis.core.type.SqlType.EnumType;
import entaxis.core.type.SqlType.Form;
import entaxis.core.type.SqlType.IntegerSize;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.SqlType.NativeType;
import entaxis.core.type.SqlType.TimeType;
import entaxis.core.type.SqlType.TimestampType;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeSpelling;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Function;

/** H2 2.4, which is also the built-in engine. */
public final class H2Dialect extends Dialect {
    /** Longest CHAR and VARCHAR, and their length where none is given. H2 manual, Data Types. */
    private static final int MAX_DIGITS = 100_000;
    private static final int MAX_VARYING = 1_000_000_000;
    /** Types that no other engine has. H2 manual, Data Types. */
    private static final List<String> OWN = List.of("geometry", "java_object", "decfloat", "varchar_ignorecase");

    /** Key words that cannot be names. H2 manual, Keywords / Reserved Words. */
    private static final Set<String> RESERVED = ReservedWords.of(
            "all and any array as asymmetric authorization between both case cast check constraint cross "
                    + "current_catalog current_date current_path current_role",
            "current_schema current_time current_timestamp current_user day default distinct else end except exists "
                    + "false fetch for foreign from full group groups",
            "having hour if ilike in inner intersect interval is join key leading left like limit localtime "
                    + "localtimestamp minus minute month natural not null",
            "offset on or order over partition primary qualify range regexp right row rownum rows second select "
                    + "session_user set some symmetric system_user table to",
            "top trailing true uescape union unique unknown user using value values when where window with year "
                    + "_rowid_");

    /** H2 manual, “Keywords / Reserved Words”, and its change log. */
    private static final Map<String, String> RESERVED_SINCE = ReservedSince.of(
            "1.4.198 array case end groups interval intersect over qualify range regexp rows user window",
            "2.0 and any asymmetric authorization between cast current_catalog current_path current_role "
                    + "current_schema day default else hour ilike in key minute month or second session_user set some "
                    + "symmetric system_user to uescape unknown using value when year");

    @Override
    public Target target() {
        return Target.H2;
    }

    /** H2 documentation, referential constraint: the required indexes are created if there are none. */
    @Override
    public boolean indexesReferences() {
        return true;
    }

    /** H2 manual, Limits: 256 characters. */
    @Override
    public int maxName() {
        return 256;
    }

    @Override
    public Set<String> reserved() {
        return RESERVED;
    }

    @Override
    public boolean foldsUp() {
        return true;
    }

    /**
     * H2 manual, Data Types: no unsigned integers; text beyond 1 000 000 000 characters is a large object (1 048 576
     * before version 2.3.230); a time has no fraction unless asked for.
     */
    @Override
    public SqlType held(SqlType type, boolean keyed, LossReport loss) {
        return switch (type) {
            case IntegerType integer when integer.unsigned() -> signedFor(integer);
            case CharacterType(Form form, OptionalInt length) when form == Form.LARGE && keyed -> {
                loss.say("a key holds at most " + MAX_VARYING + " characters");
                yield new CharacterType(Form.VARYING, OptionalInt.empty());
            }
            case CharacterType(Form form, OptionalInt length) when form == Form.FIXED && length.isEmpty() -> fixed(1);
            case CharacterType(Form form, OptionalInt length) when form != Form.LARGE
                    && length.orElse(1) > MAX_VARYING -> {
                loss.say("lengths over " + MAX_VARYING + " become a large object without a limit");
                yield SqlType.largeText();
            }
            case CharacterType(Form form, OptionalInt length) when form == Form.VARYING
                    && length.orElse(1) == MAX_VARYING -> new CharacterType(form, OptionalInt.empty());
            case BinaryType(Form form, OptionalInt length) when form == Form.FIXED && length.isEmpty() ->
                    new BinaryType(form, OptionalInt.of(1));
            case BinaryType(Form form, OptionalInt length) when form == Form.LARGE && keyed ->
                    new BinaryType(Form.VARYING, OptionalInt.empty());
            case BinaryType(Form form, OptionalInt length) when form != Form.LARGE && length.orElse(1) > MAX_VARYING ->
                    new BinaryType(Form.LARGE, OptionalInt.empty());
            case BinaryType(Form form, OptionalInt length) when form == Form.VARYING
                    && length.orElse(1) == MAX_VARYING -> new BinaryType(form, OptionalInt.empty());
            case DecimalType decimal when decimal.precision().isEmpty() -> new NativeType("decfloat");
            case DecimalType decimal -> decimal(decimal.precision().getAsInt(), decimal.scale().orElse(0));
            case TimeType(OptionalInt precision, boolean zone) when precision.isEmpty() ->
                    new TimeType(OptionalInt.of(0), zone);
            case TimestampType(OptionalInt precision, boolean zone) when precision.orElse(0) == 6 ->
                    new TimestampType(OptionalInt.empty(), zone);
            case EnumType listed -> type;
            case NativeType(String spelling) ->
                    ForeignTypes.among(OWN, spelling) ? type : held(ForeignTypes.nearest(spelling), keyed, loss);
            case ArrayType(SqlType element) -> new ArrayType(held(element, keyed, loss));
            default -> type;
        };
    }

    @Override
    public String type(SqlType held) {
        return switch (held) {
            case CharacterType(Form form, OptionalInt length) when form == Form.LARGE -> "character large object";
            case TimeType(OptionalInt precision, boolean zone) when precision.orElse(0) == 0 ->
                    "time" + (zone ? " with time zone" : "");
            case ArrayType(SqlType element) -> type(element) + " array";
            default -> held.text();
        };
    }

    /** H2 manual, Data Types. */
    @Override
    public SqlType read(TypeSpelling spelling) {
        return switch (spelling.name()) {
            case "varchar2", "nvarchar2", "varchar_casesensitive", "longvarchar" ->
                    new CharacterType(Form.VARYING, spelling.number(0));
            case "tinytext", "mediumtext", "longtext", "ntext" -> SqlType.largeText();
            case "raw", "bytea", "longvarbinary" -> new BinaryType(Form.VARYING, spelling.number(0));
            case "tinyblob", "mediumblob", "longblob", "image" -> new BinaryType(Form.LARGE, OptionalInt.empty());
            case "bit" -> new BooleanType();
            case "mediumint", "signed" -> SqlType.integer();
            case "int8", "identity", "bigserial", "serial8" -> new IntegerType(IntegerSize.BIGINT, false);
            case "serial" -> SqlType.integer();
            case "numeric", "decimal", "dec" ->
                    spelling.number(0).isPresent() ? SpelledTypes.iso(spelling) : decimal(MAX_DIGITS, 0);
            case "decfloat" -> new NativeType(spelling.number(0).orElse(MAX_DIGITS) == MAX_DIGITS ? "decfloat"
                    : "decfloat(" + spelling.number(0).getAsInt() + ")");
            case "number" ->
                    held(SpelledTypes.iso(new TypeSpelling("numeric", spelling.arguments(), false, spelling.text())),
                            false, LossReport.IGNORED);
            case "datetime", "smalldatetime" -> new TimestampType(spelling.number(0), false);
            default -> SpelledTypes.iso(spelling) instanceof NativeType own ? own
                    : held(SpelledTypes.iso(spelling), false, LossReport.IGNORED);
        };
    }

    @Override
    public SqlType neutral(SqlType held) {
        return held instanceof TimeType(OptionalInt precision, boolean zone) && precision.orElse(1) == 0
                ? new TimeType(OptionalInt.empty(), zone) : super.neutral(held);
    }

    @Override
    public Home domains() {
        return Home.SCHEMA;
    }

    @Override
    public Home enumerations() {
        return Home.SCHEMA;
    }

    @Override
    public Home structures() {
        return Home.SCHEMA;
    }

    /** H2 manual, CREATE TABLE: referential constraints are checked at once. */
    @Override
    public boolean deferrable() {
        return false;
    }

    @Override
    public Comments comments() {
        return Comments.STATEMENT;
    }

    /** H2 manual, COMMENT ON: a view is a table there. */
    @Override
    public boolean commentsOnViewsAsTables() {
        return true;
    }

    @Override
    public boolean commentsOnSequences() {
        return true;
    }

    /** H2 manual, Functions: RANDOM_UUID. */
    @Override
    public String randomUuid() {
        return "random_uuid()";
    }

    @Override
    public boolean qualifiesIndexes() {
        return true;
    }

    @Override
    public String kind(TypeDefinition type) {
        return "DOMAIN";
    }

    /** H2 manual, CREATE DOMAIN and Data Types: an enumeration and a row type get a name as domains. */
    @Override
    public String create(TypeDefinition type, String qualifiedName, Schema schema, Function<SqlType, String> spelled) {
        return switch (type) {
            case DomainDefinition domain -> createDomain(domain, qualifiedName, spelled);
            case EnumDefinition enumeration ->
                    "CREATE DOMAIN " + qualifiedName + " AS ENUM" + values(enumeration.values());
            case StructureDefinition structure ->
                    "CREATE DOMAIN " + qualifiedName + " AS ROW" + fields(structure, spelled);
        };
    }

    /** Seen on H2 2.4: an enumerator is found whatever its case; the manual, “ENUM”, says nothing of it. */
    @Override
    public boolean enumerationsIgnoreCase() {
        return true;
    }

    /** H2 manual, Data Types: the fields of a row type name no domains. */
    @Override
    public boolean fieldsTakeDefinedTypes() {
        return false;
    }

    /** Seen on H2 2.4: ALTER TABLE that copies a table gives its columns the comments of their domains. */
    @Override
    public boolean columnsShowTypeComments() {
        return true;
    }

    @Override
    public String computedClause(String expression, boolean virtual) {
        return "GENERATED ALWAYS AS (" + expression + ")";
    }

    /** H2 manual, CREATE INDEX: constraints and indexes have a space each within the schema. */
    @Override
    public NameSpaces nameSpaces() {
        List<Space> constraints = List.of(NameSpaces.inSchema("constraints"));
        return NameSpaces.of(List.of(), constraints, constraints, List.of(NameSpaces.inSchema("indexes")));
    }

    @Override
    public boolean createsIndexIfAbsent() {
        return true;
    }

    @Override
    public Map<String, String> reservedSince() {
        return RESERVED_SINCE;
    }

    /** H2 manual, CAST: values are cast by two colons as well. */
    @Override
    public boolean castOperator() {
        return true;
    }

    @Override
    public boolean castsTextToAnyType() {
        return true;
    }
}
