package entaxis.core.update;

import entaxis.core.change.Change;
import entaxis.core.design.Domain;
import entaxis.core.design.Enumeration;
import entaxis.core.design.NamedType;
import entaxis.core.design.OpaqueId;
import entaxis.core.design.OpaqueObject;
import entaxis.core.design.OpaqueProgram;
import entaxis.core.design.OpaqueSequence;
import entaxis.core.design.Structure;
import entaxis.core.design.TypeId;
import entaxis.core.expression.Expression;
import entaxis.core.reconcile.Aspect;
import entaxis.core.reconcile.Difference;
import entaxis.core.reconcile.ProgramKeys;
import entaxis.core.reconcile.ProgramRenaming;
import entaxis.core.schema.ObjectComment;
import entaxis.core.schema.Program;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Sequence;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.schema.TypeDefinition;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** Takes types, sequences, views, routines and triggers of the database over. */
final class OpaqueUpdate {
    private final DesignInProgress state;

    OpaqueUpdate(DesignInProgress state) {
        this.state = state;
    }

    void type(Difference difference) {
        state.database().types().stream().filter(type -> type.name().equals(difference.name())).findFirst()
                .ifPresent(definition -> {
                    Optional<NamedType> known =
                            state.design().types().stream().filter(type -> type.name().equals(definition.name()))
                                    .findFirst();
            TypeId id = known.map(NamedType::id).orElseGet(() -> new TypeId(state.fresh().id('t')));
                    String comment = difference.aspect() == Aspect.COMMENT || known.isEmpty() ? definition.comment()
                            : known.get().meaning();
            state.apply(new Change.PutType(named(definition, id, comment)), "The type " + definition.name());
        });
    }

    private NamedType named(TypeDefinition definition, TypeId id, String comment) {
        return switch (definition) {
            case DomainDefinition domain -> new Domain(id, domain.name(), state.type(domain.base(), domain.name()),
                    domain.defaultValue().map(Expression::text),
                    domain.checkOfAll().map(rule -> rule.condition().text()), comment);
            case EnumDefinition enumeration -> new Enumeration(id, enumeration.name(), enumeration.values(), comment);
            case StructureDefinition structure -> new Structure(id, structure.name(),
                    structure.fields().stream().map(field -> new Structure.Field(field.name(),
                            state.type(field.type(), structure.name() + "_" + field.name()))).toList(),
                    comment);
        };
    }

    void withoutType(Difference difference) {
        state.design().types().stream().filter(type -> type.name().equals(difference.name())).findFirst()
                .ifPresent(type -> state.apply(new Change.RemoveType(type.id()), "The type " + type.name()));
    }

    void sequence(Difference difference) {
        Optional<OpaqueSequence> known = carried(OpaqueSequence.class)
                .filter(own -> new QualifiedName(own.namespace(), own.name()).label().equals(difference.name()))
                .findFirst();
        if (difference.added()) {
            known.ifPresent(own -> state.apply(new Change.RemoveOpaque(own.id()), "The sequence " + own.name()));
            return;
        }
        Optional<Sequence> there = state.database().sequences().stream()
                .filter(sequence -> sequence.qualifiedName().label().equals(difference.name()))
                .findFirst();
        there.ifPresent(sequence -> {
            boolean whole = known.isEmpty() || difference.aspect() != Aspect.COMMENT;
            String comment = known.filter(own -> difference.aspect() == Aspect.DEFINITION)
                    .map(OpaqueSequence::comment).orElse(sequence.comment());
            state.apply(new Change.PutOpaque(new OpaqueSequence(
                    known.map(OpaqueSequence::id).orElseGet(() -> new OpaqueId(state.fresh().id('v'))),
                            sequence.namespace(),
                    sequence.name(), whole ? sequence.start() : known.get().start(),
                    whole ? sequence.step() : known.get().step(), comment)), "The sequence " + sequence.name());
        });
    }

    void program(Difference difference) {
        ProgramKeys keys = new ProgramKeys(state.database(), state.derivation().schema(), state.dialect());
        Optional<OpaqueProgram> known = carried(OpaqueProgram.class)
                .filter(own -> own.target() == state.dialect().target()
                        && keys.label(held(own)).equals(difference.name())).findFirst();
        if (difference.aspect() == Aspect.PRIVILEGES) {
            state.leave("A design does not hold who may use " + difference.name() + ".");
        } else if (difference.added()) {
            known.ifPresent(
                    own -> state.apply(new Change.RemoveOpaque(own.id()), "The " + own.kind()
                            .word() + " " + own.name()));
        } else {
            state.database().programs().stream().filter(program -> keys.label(program).equals(difference.name()))
                    .findFirst()
                    .ifPresent(program -> state.apply(new Change.PutOpaque(put(program, known, difference.aspect())),
                            "The " + program.kind().word() + " " + program.name()));
        }
    }

    /** What the design has of a program, with what the database says of it instead. */
    private OpaqueProgram put(Program there, Optional<OpaqueProgram> known, Aspect aspect) {
        OpaqueId id = known.map(OpaqueProgram::id).orElseGet(() -> new OpaqueId(state.fresh().id('v')));
        String text = known.filter(own -> aspect == Aspect.COMMENT).map(OpaqueProgram::text).orElse(there.text());
        List<ObjectComment> comments = known.filter(own -> aspect == Aspect.DEFINITION).map(OpaqueProgram::comments)
                .orElse(there.comments());
        return new OpaqueProgram(id, there.kind(), there.namespace(), there.name(), there.target(), text, comments);
    }

    private static Program held(OpaqueProgram own) {
        return new Program(own.kind(), own.namespace(), own.name(), own.target(), own.text());
    }

    private <T extends OpaqueObject> Stream<T> carried(Class<T> kind) {
        return state.design().carried().stream().filter(kind::isInstance).map(kind::cast);
    }

    /** Views and triggers speak of a table by its new name, where the engine rewrites them so. */
    void programsFollow(String before, String now) {
        Map<String, String> names = Map.of(QualifiedName.ofLabel(before).name().toLowerCase(Locale.ROOT),
                state.dialect().name(QualifiedName.ofLabel(now).name()));
        carried(OpaqueProgram.class).filter(own -> own.target() == state.dialect().target()
                && ProgramRenaming.follows(own.kind(), own.target())).toList()
                .forEach(own -> {
                    String text = ProgramRenaming.text(own.kind(), own.target(), own.text(), names);
                    if (!text.equals(own.text())) {
                        state.apply(new Change.PutOpaque(new OpaqueProgram(own.id(), own.kind(), own.namespace(),
                                own.name(), own.target(), text, own.comments())), own.name());
                    }
                });
    }
}
