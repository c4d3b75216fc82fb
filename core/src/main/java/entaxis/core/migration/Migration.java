package entaxis.core.migration;

import entaxis.core.reconcile.RenameMap;
import entaxis.core.reconcile.Risk;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.Ending;
import entaxis.core.targets.Target;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * The steps from one schema to another, in an order in which they run in one go.
 *
 * @param engine        the engine that they are written for
 * @param transactional whether all of them stand in one transaction
 */
public record Migration(Target engine, List<Step> steps, boolean transactional) {
    /** Copies the steps. */
    public Migration {
        steps = List.copyOf(steps);
    }

    /**
     * The steps between two schemas that an engine holds. Linear in the size of both, but for the views that read a
     * changed table.
     *
     * @param pairing what has a new name in the wanted one
     * @param fills   what rows get where a column begins to require a value
     */
    public static Migration of(Schema from, Schema to, Dialect dialect, RenameMap pairing, Fills fills) {
        List<Step> steps = new Planner(from, to, dialect, pairing, fills).steps();
        return new Migration(dialect.target(), steps, Alterations.of(dialect.target()).transactional());
    }

    /** Whether there is nothing to do. */
    public boolean isEmpty() {
        return steps.isEmpty();
    }

    /** The gravest risk of all steps. */
    public Risk risk() {
        return steps.stream().map(Step::risk).reduce(Risk.SAFE, Risk::or);
    }

    /** Steps that the reverse script cannot undo: values are gone with them. */
    public List<Step> withoutWayBack() {
        return steps.stream().filter(step -> !step.wayBack()).toList();
    }

    /**
     * The statements in order, with those that begin and end the transaction where the engine has one for definitions.
     */
    public List<String> statements() {
        List<String> statements = new ArrayList<>();
        List<String> first = steps.stream().filter(step -> step.stage() == Stage.FIRST)
                .flatMap(step -> step.statements().stream()).toList();
        List<String> rest = steps.stream().filter(step -> step.stage() != Stage.FIRST)
                .flatMap(step -> step.statements().stream()).toList();
        statements.addAll(first);
        if (!rest.isEmpty()) {
            Alterations ways = Alterations.of(engine);
            ways.suspendReferences().ifPresent(statements::add);
            begin().ifPresent(statements::add);
            statements.addAll(rest);
            ways.brokenReferences().ifPresent(statements::add);
            begin().ifPresent(word -> statements.add("COMMIT"));
            ways.resumeReferences().ifPresent(statements::add);
        }
        Dialect.of(engine).preparation(statements.stream()).ifPresent(statements::addFirst);
        return statements;
    }

    private Optional<String> begin() {
        return transactional ? Optional.of(Alterations.of(engine).begin()) : Optional.empty();
    }

    /**
     * The whole as a script: each step with what it does and how it stands with the rows.
     *
     * @param title what it is, for its head
     */
    public String text(String title) {
        StringBuilder text = new StringBuilder(
                "-- " + oneLine(title) + "\n-- Changes for " + engine.title() + "; " + counted() + "\n");
        if (!transactional && !steps.isEmpty()) {
            text.append("-- ").append(engine.title()).append(
                    " ends the transaction at each of these statements: if one fails, those before it stay done.\n");
        }
        Alterations ways = Alterations.of(engine);
        Optional<String> opening = begin();
        boolean open = false;
        for (Step step : steps) {
            if (!open && step.stage() != Stage.FIRST) {
                open = true;
                ways.suspendReferences().ifPresent(words -> text.append('\n').append(words).append(';'));
                opening.ifPresent(word -> text.append('\n').append(word).append(";\n"));
            }
            text.append("\n-- ").append(oneLine(step.what()))
                    .append(step.risk() == Risk.SAFE ? "" : " [" + step.risk().word() + "]").append('\n');
            if (!step.advice().isEmpty()) {
                text.append("-- ").append(oneLine(step.advice())).append('\n');
            }
            step.questions()
                    .forEach(question -> text
                            .append(question.loss() ? "-- Counts what is lost: " : "-- Must be 0 before: ")
                            .append(oneLine(question.sql())).append(";\n"));
            step.statements().forEach(statement -> Ending.append(text, statement, engine));
            if (ways.stepsInBatches() && !Ending.batchEnds(text)) {
                text.append("GO\n");
            }
        }
        if (open) {
            ways.brokenReferences().ifPresent(words -> text
                    .append("\n-- Lists rows that refer to nothing; there must be none\n").append(words).append(";\n"));
            opening.ifPresent(word -> text.append("\nCOMMIT;\n"));
            ways.resumeReferences().ifPresent(words -> text.append(words).append(";\n"));
        }
        return text.toString();
    }

    /** A text for a comment: a line break in a name must not end it. */
    private static String oneLine(String text) {
        return text.replaceAll("[\\s\\p{Zl}\\p{Zp}\\x85]+", " ");
    }

    private String counted() {
        return steps.isEmpty() ? "nothing to do" : Stream.of(Risk.values()).map(risk -> {
            long count = steps.stream().filter(step -> step.risk() == risk).count();
            return count == 0 ? "" : count + " " + risk.word();
        }).filter(words -> !words.isEmpty())
                .collect(java.util.stream.Collectors.joining(", ", Words.counted(steps.size(), "step") + ": ", ""));
    }
}
