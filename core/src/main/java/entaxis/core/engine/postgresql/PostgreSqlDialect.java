package entaxis.core.engine.postgresql;

import static entaxis.core.sql.HeldTypes.bounded;
import static entaxis.core.sql.HeldTypes.fixed;
import static entaxis.core.sql.HeldTypes.longEnough;
import static entaxis.core.sql.HeldTypes.signedFor;
import static entaxis.core.sql.NameSpaces.OBJECTS;

import entaxis.core.schema.Grant;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.Schema;
import entaxis.core.schema.SecuredObject;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
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
import entaxis.core.type.SqlType.CharacterType;
import entaxis.core.type.SqlType.DecimalType;
import entaxis.core.type.SqlType.EnumType;
import entaxis.core.type.SqlType.Form;
import entaxis.core.type.SqlType.IntegerSize;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.SqlType.NativeType;
import entaxis.core.type.SqlType.TimeType;
import entaxis.core.type.SqlType.TimestampType;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeSpelling;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Function;

/** PostgreSQL 16 and later. */
public final class PostgreSqlDialect extends Dialect {
    /** Reserved key words, also those that may name a function or type. PostgreSQL manual, appendix C. */
    private static final Set<String> RESERVED = ReservedWords.of(
            "all analyse analyze and any array as asc asymmetric authorization binary both case cast check collate "
                    + "collation column concurrently constraint",
            "create cross current_catalog current_date current_role current_schema current_time current_timestamp "
                    + "current_user default deferrable desc distinct",
            "do else end except false fetch for foreign freeze from full grant group having ilike in initially inner "
                    + "intersect into is isnull join lateral",
            "leading left like limit localtime localtimestamp natural not notnull null offset on only or order outer "
                    + "overlaps placing primary references",
            "returning right select session_user similar some symmetric system_user table tablesample then to trailing "
                    + "true union unique user using variadic",
            "verbose when where window with");
    /** Types that no other engine has. PostgreSQL manual, chapter 8. */
    private static final List<String> OWN = List.of("jsonb", "inet", "cidr", "macaddr", "macaddr8", "xml", "tsvector",
            "tsquery", "point", "line", "lseg", "box", "path",
            "polygon", "circle", "int4range", "int8range", "numrange", "daterange", "tsrange", "tstzrange",
            "int4multirange", "int8multirange", "nummultirange",
            "datemultirange", "tsmultirange", "tstzmultirange", "money", "bit", "bit varying", "varbit", "oid", "name",
            "regclass", "citext", "hstore", "ltree", "pg_lsn",
            "jsonpath", "\"char\"", "interval");
    /** Most digits of a number that is declared with digits. PostgreSQL manual, 8.1.2. */
    private static final int MAX_DIGITS = 1000;

    /** PostgreSQL manual, appendix “SQL Key Words”, 9.0 to 18. */
    private static final Map<String, String> RESERVED_SINCE =
            ReservedSince.of("9.3 lateral", "9.5 tablesample", "16 system_user");

    /** PostgreSQL manual, 5.11 and 5.12. */
    @Override
    public boolean tableHierarchies() {
        return true;
    }

    /** PostgreSQL manual, CREATE DOMAIN: that no value may be null is no rule with a name. */
    @Override
    public String createDomain(DomainDefinition domain, String qualifiedName, Function<SqlType, String> spelled) {
        return super.createDomain(domain.withRequired(false).withCheck(Optional.empty()), qualifiedName, spelled)
                + (domain.required() ? " NOT NULL" : "") + domain.check().map(this::domainRule).orElse("");
    }

    @Override
    public String compared(String name) {
        return stored(name);
    }

    /** PostgreSQL manual, 4.1.1: names without quotes are folded to lower case. */
    @Override
    public String unquoted(String name) {
        return name.toLowerCase(Locale.ROOT);
    }

    @Override
    public Target target() {
        return Target.POSTGRESQL;
    }

    /** PostgreSQL manual, 4.1.1: identifiers are cut at 63 bytes. */
    @Override
    public int maxName() {
        return 63;
    }

    @Override
    public int length(String name) {
        return bytes(name);
    }

    @Override
    public Set<String> reserved() {
        return RESERVED;
    }

    /** PostgreSQL manual, chapter 8: no one-byte integer, no unsigned integers, one binary type. */
    @Override
    public SqlType held(SqlType type, boolean keyed, LossReport loss) {
        return switch (type) {
            case CharacterType(Form form, OptionalInt length) when form == Form.FIXED && length.isEmpty() -> fixed(1);
            case BinaryType(Form form, OptionalInt length) -> {
                if (length.isPresent()) {
                    loss.say("bytea takes any number of bytes; the limit of " + length.getAsInt() + " is not kept");
                }
                yield new BinaryType(Form.LARGE, OptionalInt.empty());
            }
            case IntegerType integer when integer.unsigned() -> signedFor(integer);
            case IntegerType integer when integer.size() == IntegerSize.TINYINT ->
                    new IntegerType(IntegerSize.SMALLINT, false);
            case DecimalType decimal when decimal.precision().isPresent() ->
                    bounded(decimal, MAX_DIGITS, MAX_DIGITS, loss);
            case TimeType(OptionalInt precision, boolean zone) when precision.orElse(0) >= 6 ->
                    new TimeType(OptionalInt.empty(), zone);
            case TimestampType(OptionalInt precision, boolean zone) when precision.orElse(0) >= 6 ->
                    new TimestampType(OptionalInt.empty(), zone);
            case EnumType listed -> longEnough(listed);
            case NativeType(String spelling) ->
                    ForeignTypes.among(OWN, spelling) ? type : held(ForeignTypes.nearest(spelling), keyed, loss);
            case ArrayType(SqlType element) -> new ArrayType(held(element, keyed, loss));
            default -> type;
        };
    }

    @Override
    public String type(SqlType held) {
        return switch (held) {
            case BinaryType binary -> "bytea";
            default -> held.text();
        };
    }

    /**
     * PostgreSQL manual, chapter 8: {@code timestamp} words, {@code bpchar}, numbers that count for themselves are the
     * caller's affair.
     */
    @Override
    public SqlType read(TypeSpelling spelling) {
        String name = spelling.name().startsWith("pg_catalog.") ? spelling.name().substring("pg_catalog.".length())
                : spelling.name();
        TypeSpelling plain = new TypeSpelling(name, spelling.arguments(), spelling.unsigned(),
                spelling.text().substring(spelling.name().length() - name.length()));
        return switch (name) {
            case "bytea" -> new BinaryType(Form.LARGE, OptionalInt.empty());
            case "bpchar" -> new CharacterType(Form.FIXED, OptionalInt.of(spelling.number(0).orElse(1)));
            case "serial", "serial4" -> SqlType.integer();
            case "bigserial", "serial8" -> new IntegerType(IntegerSize.BIGINT, false);
            case "smallserial", "serial2" -> new IntegerType(IntegerSize.SMALLINT, false);
            case "interval", "binary", "varbinary", "blob", "clob", "tinyint", "enum" ->
                    new NativeType(SpelledTypes.plain(plain.text()));
            default -> SpelledTypes.iso(plain) instanceof NativeType own ? own
                    : held(SpelledTypes.iso(plain), false, LossReport.IGNORED);
        };
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

    @Override
    public SqlType document() {
        return new NativeType("jsonb");
    }

    @Override
    public boolean partialIndexes() {
        return true;
    }

    /** PostgreSQL manual, CREATE INDEX: INCLUDE. */
    @Override
    public boolean includesColumns() {
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

    /** PostgreSQL manual, COMMENT. */
    @Override
    public Set<ProgramKind> commentedPrograms() {
        return Set.of(ProgramKind.VIEW, ProgramKind.FUNCTION, ProgramKind.PROCEDURE, ProgramKind.TRIGGER,
                ProgramKind.RULE);
    }

    @Override
    public boolean commentsOnSequences() {
        return true;
    }

    @Override
    public Optional<String> routineSignature(String arguments) {
        return Optional.of(RoutineSignature.of(arguments));
    }

    @Override
    public String withoutDefaults(String arguments) {
        return RoutineSignature.withoutDefaults(arguments);
    }

    @Override
    public boolean triggersWithinTable() {
        return true;
    }

    /** PostgreSQL manual, “Privileges”: everybody may call a new routine and use a new type. */
    @Override
    public Optional<List<Grant>> usualGrants(SecuredObject kind) {
        return Optional.of(switch (kind) {
            case ROUTINE -> List.of(new Grant("EXECUTE", Grant.PUBLIC, false));
            case TYPE -> List.of(new Grant("USAGE", Grant.PUBLIC, false));
            case TABLE, SEQUENCE, NONE -> List.of();
        });
    }

    /** PostgreSQL manual, “Privileges”. */
    @Override
    public List<String> privileges(SecuredObject kind) {
        return switch (kind) {
            case TABLE -> List.of("SELECT", "INSERT", "UPDATE", "DELETE", "TRUNCATE", "REFERENCES", "TRIGGER");
            case SEQUENCE -> List.of("USAGE", "SELECT", "UPDATE");
            case ROUTINE -> List.of("EXECUTE");
            case TYPE -> List.of("USAGE");
            case NONE -> List.of();
        };
    }

    /** PostgreSQL manual, CREATE TYPE: enumerated and composite types. */
    @Override
    public String create(TypeDefinition type, String qualifiedName, Schema schema, Function<SqlType, String> spelled) {
        return type instanceof EnumDefinition enumeration
                ? "CREATE TYPE " + qualifiedName + " AS ENUM " + values(enumeration.values())
                : super.create(type, qualifiedName, schema, spelled);
    }

    /** PostgreSQL manual, 9.9 and 9.14. */
    @Override
    public String randomUuid() {
        return "gen_random_uuid()";
    }

    /** PostgreSQL manual, “Boolean Type”: numbers are no truth values. */
    @Override
    public boolean truthAsNumbers() {
        return false;
    }

    /** PostgreSQL manual, CREATE TABLE and CREATE INDEX: constraints in their table, indexes among the relations. */
    @Override
    public NameSpaces nameSpaces() {
        Space constraints = NameSpaces.inTable("constraints");
        return NameSpaces.of(List.of(OBJECTS), List.of(OBJECTS, constraints), List.of(constraints), List.of(OBJECTS));
    }

    @Override
    public boolean createsIndexIfAbsent() {
        return true;
    }

    /** PostgreSQL manual, “Collation Support”: the name of a collation is an identifier. */
    @Override
    public String collation(String name) {
        return quoted(name);
    }

    /** The catalog writes the type of each constant (PostgreSQL manual, pg_get_expr). */
    @Override
    public String standard(String expression) {
        return CatalogExpression.standard(expression);
    }

    @Override
    public boolean castOperator() {
        return true;
    }

    /** PostgreSQL manual, 8.6, Boolean Type. */
    @Override
    public Optional<Boolean> truth(String constant) {
        return PostgreSqlWording.truth(constant);
    }

    /** PostgreSQL manual, “Sequence Manipulation Functions”. */
    @Override
    public String nextValue(String sequence) {
        return "nextval(" + literal(sequence) + ")";
    }

    @Override
    public Map<String, String> reservedSince() {
        return RESERVED_SINCE;
    }

    @Override
    public boolean domainsRefuseNull() {
        return true;
    }

    /** PostgreSQL manual, ALTER TYPE: ADD VALUE. */
    @Override
    public boolean extendsEnumerations() {
        return true;
    }

    /** PostgreSQL manual, CREATE CAST: every type can be read from text. */
    @Override
    public boolean castsTextToAnyType() {
        return true;
    }

    /** PostgreSQL manual, CREATE TABLE, GENERATED AS IDENTITY: not a column of a domain. */
    @Override
    public boolean numbers(SqlType type) {
        return !(type instanceof UserType);
    }

    /** PostgreSQL manual, check_function_bodies. */
    @Override
    public Optional<String> lateBodies() {
        return Optional.of("SET check_function_bodies = false");
    }

    /** PostgreSQL manual, CREATE EXTENSION. */
    @Override
    public Optional<String> createExtension(String name) {
        return Optional.of("CREATE EXTENSION IF NOT EXISTS " + name(name));
    }

    /** PostgreSQL manual, CREATE TABLE, GENERATED AS IDENTITY: smallint, integer or bigint. */
    @Override
    public SqlType numberedType(SqlType type) {
        return type instanceof DecimalType ? new IntegerType(IntegerSize.BIGINT, false) : type;
    }

    /** PostgreSQL manual, CREATE TABLE, REFERENCES: values have to be comparable; numeric becomes no integer. */
    @Override
    public boolean refersTo(SqlType own, SqlType referenced) {
        return !(referenced instanceof IntegerType && (own instanceof DecimalType || own instanceof CharacterType));
    }
}
