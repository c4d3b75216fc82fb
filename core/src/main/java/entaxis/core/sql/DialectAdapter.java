package entaxis.core.sql;

import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Sequence;
import entaxis.core.schema.Table;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.FieldDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.sql.AdaptationNote.Kind;
import entaxis.core.sql.TableFeatures.Home;
import entaxis.core.type.SqlType.EnumType;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Turns a schema into what an engine can hold: its types, its ways to number rows, the actions, indexes and names that
 * it takes. What has to change is said. Doing it again changes nothing. Linear in the size of the schema.
 */
public final class DialectAdapter {
    private static final int MANY = 200;
    final Dialect dialect;
    final Map<UserType, TypeDefinition> types = new HashMap<>();
    private final List<AdaptationNote> findings = new ArrayList<>();

    /** Defined types of columns in keys and indexes. */
    private final Set<UserType> keyedTypes = new HashSet<>();
    /** Functions that are written for another engine, in small letters: nothing can call them here. */
    final Set<String> leftBehind = new HashSet<>();
    final boolean own;

    private DialectAdapter(Dialect dialect, Schema schema, boolean own) {
        this.dialect = dialect;
        this.own = own;
        schema.types().forEach(type -> types.put(type.type(), type));
        schema.tables().forEach(table -> TableAdapter.keyed(table, dialect).stream()
                .flatMap(name -> table.column(name).stream())
                .forEach(column -> {
                    if (column.type() instanceof UserType type) {
                        keyedTypes.add(type);
                    }
                }));
        schema.programs().stream()
                .filter(program -> program.kind() == ProgramKind.FUNCTION && program.target() != dialect.target())
                .forEach(program -> leftBehind.add(program.name().toLowerCase(Locale.ROOT)));
    }

    /** A schema as an engine can hold it. */
    public static AdaptedSchema fit(Schema schema, Dialect dialect) {
        return new DialectAdapter(dialect, schema, false).fitted(schema);
    }

    /**
     * A schema that scripts or the catalog of an engine say, as that engine holds it: its types need no others beside
     * them, and what it does not require stays so.
     */
    public static AdaptedSchema ofOwn(Schema schema, Dialect dialect) {
        return new DialectAdapter(dialect, schema, true).fitted(schema);
    }

    private AdaptedSchema fitted(Schema schema) {
        List<TypeDefinition> kept =
                schema.types().stream().filter(type -> dialect.home(type) == Home.SCHEMA).map(this::type).toList();
        List<TableAdapter> adapted = adapted(PossiblePartitions.of(schema.tables(), dialect, findings));
        adapted.forEach(table -> findings.addAll(table.notes()));
        List<Table> tables = adapted.stream().map(TableAdapter::table).toList();
        List<Sequence> sequences = !dialect.sequences() ? List.of() : Stream.concat(schema.sequences().stream(),
                adapted.stream().flatMap(table -> table.counting().stream())).toList();
        if (!dialect.sequences()) {
            schema.sequences().forEach(sequence -> say(Kind.LOST, "", sequence.name(),
                    dialect.target().title() + " has no sequences; this one is left out"));
        }
        List<Table> alike = own ? tables
                : IndexLengths.cut(ReferenceTypes.alike(tables, dialect, findings), dialect, findings);
        List<Table> named = new StoredNames(dialect, findings)
                .named(PossibleReferences.of(CascadePaths.cut(alike, dialect, findings), dialect, findings));
        List<Program> programs =
                schema.programs().stream().filter(program -> program.target() == dialect.target()).toList();
        schema.programs().stream().filter(program -> program.target() != dialect.target())
                .forEach(program -> say(Kind.LOST, "", program.name(), "the " + program.kind().word()
                        + " is written for " + program.target().title() + " and left out of the script for "
                        + dialect.target().title()));
        return new AdaptedSchema(
                new Schema(kept, sequences, named, programs, own ? schema.extensions() : List.of()), findings);
    }

    /** Each table for itself, on several processors where there are many. */
    private List<TableAdapter> adapted(List<Table> tables) {
        Stream<Table> each = tables.size() < MANY ? tables.stream() : tables.parallelStream();
        return each.map(table -> new TableAdapter(this, table)).toList();
    }

    private void say(Kind kind, String table, String element, String words) {
        findings.add(new AdaptationNote(kind, table, element, words));
    }

    private TypeDefinition type(TypeDefinition type) {
        LossReport loss = new ElementLosses(findings, "", type.name());
        return switch (type) {
            case DomainDefinition domain -> domain
                    .over(held(domain.base(), keyedTypes.contains(domain.type()), loss))
                    .withDefault(domain.defaultValue().map(dialect::expression))
                    .withCheck(domain.check().map(check -> check.named(dialect.stored(check.name()))
                            .with(dialect.expression(check.condition()))));
            case EnumDefinition enumeration -> enumeration;
            case StructureDefinition structure -> structure.with(structure.fields().stream()
                    .map(field -> new FieldDefinition(field.name(), held(inField(field.type()), false, loss)))
                    .toList());
        };
    }

    /** The type of a field; what a defined type stands for is spelled out where fields do not take it. */
    private SqlType inField(SqlType type) {
        boolean spelledOut = !dialect.fieldsTakeDefinedTypes() && type instanceof UserType user
                && types.containsKey(user);
        return !spelledOut ? type : switch (types.get((UserType) type)) {
            case DomainDefinition domain -> inField(domain.base());
            case EnumDefinition enumeration -> new EnumType(enumeration.values());
            case StructureDefinition structure -> type;
        };
    }

    /** A type as the engine holds it, where it does not need a check beside it. */
    SqlType held(SqlType type, boolean keyed, LossReport loss) {
        if (!(type instanceof UserType user)) {
            return own ? dialect.own(type) : dialect.held(type, keyed, loss);
        }
        TypeDefinition definition = types.get(user);
        return definition == null ? dialect.held(new SqlType.NativeType(user.label()), keyed, loss)
                : dialect.home(definition) == Home.SCHEMA ? type : switch (definition) {
            case DomainDefinition domain -> held(domain.base(), keyed, loss);
            case EnumDefinition enumeration -> dialect.held(new EnumType(enumeration.values()), keyed, loss);
            case StructureDefinition structure -> {
                loss.say("a structured value is held as one JSON document; nothing checks its fields");
                yield dialect.held(dialect.document(), keyed, loss);
            }
        };
    }
}
