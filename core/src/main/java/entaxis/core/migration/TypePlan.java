package entaxis.core.migration;

import entaxis.core.reconcile.EngineWordingRules;
import entaxis.core.reconcile.Matching.Pair;
import entaxis.core.reconcile.Matching;
import entaxis.core.reconcile.Risk;
import entaxis.core.reconcile.TypeChange;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Schema;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.TableFeatures.Comments;
import entaxis.core.type.SqlType.UserType;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * What becomes of domains, enumerations and structured types: changed in place where the engine can, else recreated
 * under their name with the columns taken along.
 */
final class TypePlan {
    private static final String BEFORE = "_before";
    private final Schema to;
    private final EngineWordingRules words;
    private final Alterations engine;
    private final Dialect dialect;
    private final Matching<TypeDefinition> pairs;
    private final Set<UserType> replaced = new HashSet<>();
    private final Set<UserType> structures = new HashSet<>();

    TypePlan(Schema from, Schema to, Dialect dialect, EngineWordingRules words, Alterations engine) {
        this.to = to;
        this.words = words;
        this.engine = engine;
        this.dialect = dialect;
        this.pairs = Matching.of(from.types(), to.types(), type -> words.folded(type.label()), type -> "");
        boolean more = true;
        while (more) {
            more = false;
            for (Pair<TypeDefinition> pair : pairs.pairs()) {
                boolean own = !TypeChange.inPlace(pair.from(), pair.to(), words)
                        && !words.sense(pair.from()).equals(words.sense(pair.to()));
                boolean through = TypeChange.parts(pair.to())
                        .anyMatch(part -> replaced.contains(part) || structures.contains(part));
                if (own || through) {
                    more |= (pair.to() instanceof StructureDefinition ? structures : replaced).add(pair.to().type());
                }
            }
        }
    }

    /** Enumerations and domains that are recreated, so that their columns change type. */
    Set<UserType> replacedTypes() {
        return replaced;
    }

    /** Structured types that are recreated; the engine turns no value of the old into one of the new. */
    Set<UserType> changedStructures() {
        return structures;
    }

    void steps(List<Step> steps) {
        for (TypeDefinition type : to.types()) {
            Optional<Pair<TypeDefinition>> pair = pairs.pairs().stream().filter(both -> both.to() == type).findFirst();
            boolean recreated = replaced.contains(type.type()) || structures.contains(type.type());
            if (pair.isEmpty()) {
                steps.add(Step.safe(Stage.TYPES, "", "Create the type " + type.label(),
                        List.of(engine.scripts.createType(type, to))));
            } else if (recreated && !engine.renamesTypes()) {
                steps.add(Step.of(Stage.TYPES, "", Risk.MAY_FAIL, "Recreate the type " + type.label(),
                        Stream.concat(engine.dropTypeInUse(type).stream(),
                                Stream.of(engine.scripts.createType(type, to))).toList(),
                        Optional.empty(), "", true));
            } else if (recreated) {
                List<String> statements = new ArrayList<>(engine.renameType(pair.get().from(), old(type)));
                statements.add(engine.scripts.createType(type, to));
                steps.add(Step.of(Stage.TYPES, "", Risk.SLOW, "Recreate the type " + type.label(), statements,
                        Optional.empty(), "Every table with a column of this type is written again.", true));
            } else if (!words.sense(pair.get().from()).equals(words.sense(type))) {
                changeInPlace(pair.get(), steps);
            }
        }
        for (TypeDefinition type : pairs.gone().reversed()) {
            steps.add(
                    Step.safe(Stage.TYPES_OUT, "", "Drop the type " + type.label(),
                            engine.dropType(type, type.name())));
        }
        for (Pair<TypeDefinition> pair : pairs.pairs().reversed()) {
            if ((replaced.contains(pair.to().type()) || structures.contains(pair.to().type()))
                    && engine.renamesTypes()) {
                steps.add(Step.safe(Stage.TYPES_OUT, "", "Drop what the type " + pair.to().label() + " was",
                        engine.dropType(pair.from(), old(pair.to()))));
            }
        }
    }

    private String old(TypeDefinition type) {
        return dialect.stored(type.name() + BEFORE);
    }

    private void changeInPlace(Pair<TypeDefinition> pair, List<Step> steps) {
        String name = engine.writer.name(pair.to().qualifiedName());
        if (pair.from() instanceof EnumDefinition before && pair.to() instanceof EnumDefinition now) {
            List<String> statements = new ArrayList<>();
            List<String> there = new ArrayList<>(before.values());
            for (int i = 0; i < now.values().size(); i++) {
                String value = now.values().get(i);
                if (!there.contains(value)) {
                    String place = i > 0 ? " AFTER " + dialect.literal(now.values().get(i - 1)) : there.isEmpty() ? ""
                            : " BEFORE " + dialect.literal(there.getFirst());
                    statements.add("ALTER TYPE " + name + " ADD VALUE " + dialect.literal(value) + place);
                    there.add(value);
                }
            }
            steps.add(Step.of(Stage.FIRST, "", Risk.SAFE, "Add values to " + now.label(), statements, Optional.empty(),
                    "Before the transaction: a new value can be used only when it is committed.", false));
            return;
        }
        if (pair.from() instanceof DomainDefinition before && pair.to() instanceof DomainDefinition now) {
            List<String> statements = new ArrayList<>();
            String alter = "ALTER DOMAIN " + name + " ";
            if (!before.defaultValue().equals(now.defaultValue())) {
                statements.add(alter + now.defaultValue().map(text -> "SET DEFAULT " + dialect.written(text))
                        .orElse("DROP DEFAULT"));
            }
            boolean ownWord = dialect.domainsRefuseNull();
            Optional<CheckRule> was = ownWord ? before.check() : before.checkOfAll();
            Optional<CheckRule> becomes = ownWord ? now.check() : now.checkOfAll();
            if (!was.map(check -> words.sense(check.condition()))
                    .equals(becomes.map(check -> words.sense(check.condition())))) {
                was.ifPresent(check -> statements.add(alter + "DROP CONSTRAINT " + engine.name(check.name())));
                becomes.ifPresent(check -> statements.add(alter + "ADD " + engine.writer.check(check)));
            }
            if (ownWord && before.required() != now.required()) {
                statements.add(alter + (now.required() ? "SET NOT NULL" : "DROP NOT NULL"));
            }
            steps.add(Step.of(Stage.TYPES, "", Risk.MAY_FAIL, "Change the rules of the domain " + now.label(),
                    statements, Optional.empty(), "Every column of this domain is checked.", true));
        }
    }

    /** A type before; empty where it is made now. */
    Optional<TypeDefinition> before(TypeDefinition type) {
        boolean recreated = replaced.contains(type.type()) || structures.contains(type.type());
        return pairs.pairs().stream().filter(both -> both.to() == type && !recreated).map(Pair::from).findFirst();
    }

    void comments(List<Step> steps) {
        if (!dialect.commentsOnTypes() || dialect.comments() != Comments.STATEMENT) {
            return;
        }
        for (TypeDefinition type : to.types()) {
            if (!type.comment().equals(before(type).map(TypeDefinition::comment).orElse(""))) {
                steps.add(Step.safe(Stage.COMMENTS, "", CommentPlan.comment(type.comment(), "the type " + type.label()),
                        List.of("COMMENT ON " + engine.scripts.kind(type) + " "
                                + engine.writer.name(type.qualifiedName()) + " IS "
                        + dialect.literal(type.comment()))));
            }
        }
    }
}
