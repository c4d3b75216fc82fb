package entaxis.core.engine.iso;

import static entaxis.core.sql.HeldTypes.decimal;
import static entaxis.core.sql.HeldTypes.fixed;
import static entaxis.core.sql.HeldTypes.longEnough;
import static entaxis.core.sql.HeldTypes.signedFor;

import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.ForeignTypes;
import entaxis.core.sql.LossReport;
import entaxis.core.sql.ReservedWords;
import entaxis.core.sql.SpelledTypes;
import entaxis.core.sql.Spelling;
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
import entaxis.core.type.SqlType.UuidType;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeSpelling;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.Set;

/** ISO/IEC 9075-2:2023, for engines that keep to it. */
public final class IsoDialect extends Dialect {
    /** Reserved words. ISO/IEC 9075-2, 5.2, as far as they are likely names (from memory). */
    private static final Set<String> RESERVED = ReservedWords.of(
            "abs all allocate alter and any are array as asensitive asymmetric at atomic authorization avg begin "
                    + "between bigint binary blob boolean both by",
            "call called cardinality cascaded case cast ceil ceiling char character check clob close coalesce collate "
                    + "collect column commit condition connect",
            "constraint convert corr corresponding count create cross cube current current_catalog current_date "
                    + "current_path current_role current_schema",
            "current_time current_timestamp current_user cursor cycle date day deallocate dec decimal declare default "
                    + "delete deref describe deterministic",
            "disconnect distinct double drop dynamic each element else end equals escape every except exec execute "
                    + "exists exp external extract false fetch",
            "filter float floor for foreign free from full function fusion get global grant group grouping groups "
                    + "having hold hour identity in indicator initial",
            "inner inout insensitive insert int integer intersect intersection interval into is join json language "
                    + "large lateral leading left like ln local",
            "localtime localtimestamp lower match max member merge method min minute mod modifies module month "
                    + "multiset national natural nchar nclob new no",
            "none normalize not null nullif numeric of offset old on only open or order out outer over overlaps "
                    + "overlay parameter partition percent period",
            "position power precision prepare primary procedure range rank reads real recursive ref references "
                    + "referencing release result return returns",
            "revoke right rollback rollup row row_number rows savepoint scope scroll search second select sensitive "
                    + "session_user set similar smallint some",
            "specific sql sqlexception sqlstate sqlwarning sqrt start static sum symmetric system system_user table "
                    + "tablesample then time timestamp to",
            "trailing translate translation treat trigger trim true truncate uescape union unique unknown unnest "
                    + "update upper user using value values",
            "varbinary varchar varying when whenever where width_bucket window with within without year");

    @Override
    public Target target() {
        return Target.ISO;
    }

    /** ISO/IEC 9075-2, 5.2: 128 characters. */
    @Override
    public int maxName() {
        return 128;
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
     * ISO/IEC 9075-2, 6.1: no one-byte and no unsigned integers, no unbounded strings beside large objects, no type for
     * identifiers.
     */
    @Override
    public SqlType held(SqlType type, boolean keyed, LossReport loss) {
        return switch (type) {
            case CharacterType(Form form, OptionalInt length) when form == Form.FIXED && length.isEmpty() -> fixed(1);
            case CharacterType(Form form, OptionalInt length) when form == Form.VARYING && length.isEmpty() ->
                    SqlType.largeText();
            case BinaryType(Form form, OptionalInt length) when form == Form.FIXED && length.isEmpty() ->
                    new BinaryType(form, OptionalInt.of(1));
            case BinaryType(Form form, OptionalInt length) when form == Form.VARYING && length.isEmpty() ->
                    new BinaryType(Form.LARGE, OptionalInt.empty());
            case IntegerType integer when integer.unsigned() -> held(signedFor(integer), keyed, loss);
            case IntegerType integer when integer.size() == IntegerSize.TINYINT ->
                    new IntegerType(IntegerSize.SMALLINT, false);
            case DecimalType decimal when decimal.precision().isPresent() ->
                    decimal(decimal.precision().getAsInt(), decimal.scale().orElse(0));
            case UuidType uuid -> {
                loss.say("ISO SQL has no identifiers of this kind; 36 characters hold them, unchecked");
                yield fixed(36);
            }
            case EnumType listed -> longEnough(listed);
            case NativeType own -> held(ForeignTypes.nearest(own.spelling()), keyed, loss);
            case ArrayType(SqlType element) -> new ArrayType(held(element, keyed, loss));
            default -> type;
        };
    }

    @Override
    public String type(SqlType held) {
        return switch (held) {
            case CharacterType(Form form, OptionalInt length) when form == Form.LARGE -> "character large object";
            case BinaryType(Form form, OptionalInt length) when form == Form.LARGE -> "binary large object";
            case ArrayType(SqlType element) -> type(element) + " array";
            default -> held.text();
        };
    }

    @Override
    public SqlType read(TypeSpelling spelling) {
        return SpelledTypes.iso(spelling);
    }

    @Override
    public Home domains() {
        return Home.SCHEMA;
    }

    @Override
    public Home structures() {
        return Home.SCHEMA;
    }

    /** ISO/IEC 9075-2, 11.3: at most one identity column. */
    @Override
    public Numbered numbered() {
        return Numbered.ONE_COLUMN;
    }

    @Override
    public String computedClause(String expression, boolean virtual) {
        return "GENERATED ALWAYS AS (" + expression + ")";
    }

    @Override
    public boolean createsTableIfAbsent() {
        return false;
    }

    @Override
    public String createSchema(String name, Spelling spelling) {
        return "CREATE SCHEMA " + spelling.name(name);
    }

    @Override
    public List<String> drops(Schema schema, List<Table> tables, Spelling spelling) {
        List<String> drops = new ArrayList<>();
        tables.reversed().forEach(table -> drops.add("DROP TABLE " + spelling.name(table) + " CASCADE"));
        schema.sequences().forEach(sequence -> drops.add("DROP SEQUENCE " + spelling.name(sequence) + " CASCADE"));
        schema.types().reversed().forEach(type -> drops
                .add("DROP " + kind(type) + " " + spelling.name(type.qualifiedName()) + " CASCADE"));
        return drops;
    }
}
