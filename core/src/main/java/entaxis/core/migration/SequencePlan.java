package entaxis.core.migration;

import entaxis.core.reconcile.EngineWordingRules;
import entaxis.core.reconcile.Matching;
import entaxis.core.reconcile.Matching.Pair;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Sequence;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.GrantWriter;
import entaxis.core.sql.ProgramWriter;
import entaxis.core.sql.ScriptOptions;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** The steps on sequences. */
final class SequencePlan {
    private final Matching<Sequence> pairs;
    private final Alterations engine;
    private final EngineWordingRules words;
    private final ProgramWriter comments;
    private final GrantWriter grants;

    SequencePlan(Schema from, Schema to, Dialect dialect, EngineWordingRules words, Alterations engine) {
        this.pairs = Matching.of(from.sequences(), to.sequences(),
                sequence -> words.folded(sequence.qualifiedName().label()), sequence -> "");
        this.engine = engine;
        this.words = words;
        this.comments = new ProgramWriter(dialect, ScriptOptions.DEFAULT);
        this.grants = new GrantWriter(dialect, ScriptOptions.DEFAULT);
    }

    /** Adds the steps; linear. */
    void steps(List<Step> steps) {
        pairs.pairs().forEach(pair -> changed(pair, steps));
        pairs.fresh().forEach(sequence -> {
            List<String> statements = new ArrayList<>(List.of(engine.scripts.createSequence(sequence)));
            comments.comment(sequence).filter(words -> !sequence.comment().isEmpty()).ifPresent(statements::add);
            statements.addAll(grants.sequence(sequence, Optional.empty()));
            steps.add(Step.safe(Stage.TYPES, "", "Create the sequence " + sequence.qualifiedName().label(),
                    statements));
        });
        pairs.gone().forEach(sequence -> steps.add(Step.safe(Stage.TYPES_OUT, "",
                "Drop the sequence " + sequence.qualifiedName().label(), List.of("DROP SEQUENCE " + name(sequence)))));
    }

    /** The names of sequences that are dropped and made again, in small letters where case is not looked at. */
    Set<String> madeAgain() {
        return pairs.pairs().stream().filter(pair -> !counts(pair) && !engine.altersSequences())
                .map(pair -> words.folded(pair.to().qualifiedName().label()))
                .collect(Collectors.toSet());
    }

    private static boolean counts(Pair<Sequence> pair) {
        return pair.from().start() == pair.to().start() && pair.from().step() == pair.to().step();
    }

    private String name(Sequence sequence) {
        return engine.writer.name(sequence.qualifiedName());
    }

    private void changed(Pair<Sequence> pair, List<Step> steps) {
        Sequence now = pair.to();
        boolean counts = counts(pair);
        boolean recreated = !counts && !engine.altersSequences();
        if (!counts) {
            steps.add(Step.safe(Stage.TYPES, "", "Change the sequence " + now.name(), recreated
                    ? List.of("DROP SEQUENCE " + name(now), engine.scripts.createSequence(now))
                    : List.of("ALTER SEQUENCE " + name(now) + " START WITH " + now.start() + " INCREMENT BY "
                            + now.step())));
        }
        if (!(recreated ? "" : pair.from().comment()).equals(now.comment())) {
            comments.comment(now).ifPresent(words -> steps.add(
                    Step.safe(Stage.COMMENTS, "", CommentPlan.comment(now.comment(), "the sequence " + now.name()),
                            List.of(words))));
        }
        List<String> users = recreated ? grants.sequence(now, Optional.empty())
                : pair.from().grants().map(before -> grants.sequence(now, Optional.of(before))).orElse(List.of());
        if (!users.isEmpty()) {
            steps.add(Step.safe(Stage.COMMENTS, "", "Say who may use the sequence " + now.name(), users));
        }
    }
}
