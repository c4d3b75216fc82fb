package entaxis.web.edit;

import entaxis.core.change.Change;
import entaxis.core.change.Renaming;
import entaxis.core.design.Design;
import entaxis.core.design.Domain;
import entaxis.core.design.Enumeration;
import entaxis.core.design.NamedType;
import entaxis.core.design.Naming;
import entaxis.core.design.Naming.Grammar;
import entaxis.core.design.Naming.Letters;
import entaxis.core.design.Naming.Template;
import entaxis.core.design.Structure;
import entaxis.core.design.TypeId;
import entaxis.core.sql.TypeLineReader;
import entaxis.web.store.NewId;

/** Reads edits of the design's types and of its naming policy. */
final class TypeEditReader {
    private final Design design;
    private final EditForm form;

    TypeEditReader(Design design, EditForm form) {
        this.design = design;
        this.form = form;
    }

    EditReading read() {
        return switch (form.kind()) {
            case TYPE_ADD -> defined(new TypeId(NewId.of('t')));
            case TYPE_DEFINE ->
                    form.value().isBlank() ? EditReader.plain(new Change.RemoveType(id())) : defined(id());
            case TYPE_MEANING -> meaning();
            case TYPE_REMOVE -> EditReader.plain(new Change.RemoveType(id()));
            case NAMING_APPLY -> EditReader.plain(
                    new Change.Several(Renaming.proposals(design).stream().map(Renaming.Proposal::change).toList()));
            default -> naming(design.facts().names());
        };
    }

    private TypeId id() {
        return new TypeId(form.text("type"));
    }

    private EditReading defined(TypeId id) {
        return switch (TypeLineReader.read(form.value(), id, design::typeNamed)) {
            case TypeLineReader.NotDefined(String message) -> EditReading.Faulty.of("type", message);
            case TypeLineReader.Defined(NamedType type) -> EditReader.plain(new Change.PutType(
                    type.meaning().isEmpty()
                            ? described(type, design.types().find(id).map(NamedType::meaning).orElse("")) : type));
        };
    }

    private EditReading meaning() {
        NamedType now = design.types().get(id());
        return EditReader.plain(new Change.PutType(described(now, form.value().strip())));
    }

    private static NamedType described(NamedType type, String meaning) {
        return switch (type) {
            case Domain domain -> new Domain(domain.id(), domain.name(), domain.base(), domain.defaultValue(),
                    domain.check(), meaning);
            case Enumeration enumeration ->
                    new Enumeration(enumeration.id(), enumeration.name(), enumeration.values(), meaning);
            case Structure structure -> new Structure(structure.id(), structure.name(), structure.fields(), meaning);
        };
    }

    private EditReading naming(Naming now) {
        String value = form.value().strip();
        Naming next = switch (form.kind()) {
            case NAMING_ENTITIES -> now.with(Grammar.valueOf(value), now.tables(), now.letters());
            case NAMING_TABLES -> now.with(now.entities(), Grammar.valueOf(value), now.letters());
            case NAMING_LETTERS -> now.with(now.entities(), now.tables(), Letters.valueOf(value));
            case NAMING_SEPARATOR -> now.with(value, now.tablePrefix());
            case NAMING_PREFIX -> now.with(now.separator(), value);
            case NAMING_TEMPLATE -> now.with(Template.valueOf(form.text("template")), value);
            default -> throw form.unknown();
        };
        return EditReader.plain(new Change.SetFacts(design.facts().naming(next)));
    }
}
