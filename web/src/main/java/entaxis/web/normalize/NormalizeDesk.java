package entaxis.web.normalize;

import entaxis.core.dependency.Armstrong;
import entaxis.core.dependency.AttributeSet;
import entaxis.core.dependency.Closure;
import entaxis.core.dependency.Dependency;
import entaxis.core.dependency.NormalForm;
import entaxis.core.dependency.Relation;
import entaxis.core.dependency.Verdict;
import entaxis.core.dependency.Violation;
import entaxis.core.design.StatedDependencies.Stated;
import entaxis.core.design.StatedDependencies;
import entaxis.core.normalize.AcrossEntities;
import entaxis.core.normalize.DependencyLines;
import entaxis.core.normalize.EntityRelation;
import entaxis.core.normalize.Harm;
import entaxis.core.normalize.Suggestion;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * The verdict on one entity.
 *
 * @param text    the dependencies, one a line, as typed or as kept
 * @param good    whether no fault is left that is not accepted
 * @param diagram the dependency diagram as SVG
 * @param across   questions about this entity and others
 * @param closures how each key decides everything, step by step
 */
public record NormalizeDesk(String id, String name, List<String> attributes, int rows, String text,
        List<DependencyLines.Remark> remarks, List<Suggestion> suggestions,
        String diagram, NormalForm form, boolean good, List<KeyChoice> keys, boolean more, String prime,
        List<Fault> faults, long accepted, List<Sign> signs,
        List<String> across, List<Steps> closures, Example example) {

    /** Whether nothing is stated while rows suggest some dependency: then the form is not known. */
    public boolean unknown() {
        return text.isBlank() && suggestions.stream().anyMatch(Suggestion::telling);
    }

    /** A candidate key. */
    public record KeyChoice(String columns, boolean chosen) { }

    /** A fault, the harm that it does unless that is left for later, and the reason why it stays, if it does. */
    public record Fault(int number, String title, String tone, String dependency, String why, Optional<Harm> harm,
            Optional<String> reason) { }

    /** A sign against first normal form, as a question, and what to do about it. */
    public record Sign(String question, String remedy) { }

    /** Rows that satisfy what is stated, what follows, and nothing else; none where there would be too many. */
    public record Example(List<String> columns, List<List<String>> rows) { }

    /** How a closure is reached. */
    public record Steps(String of, List<String> lines, boolean all) { }

    /**
     * How many faults show their rows while one types; the others tell what they are, and show theirs when the lines
     * are kept.
     */
    private static final int SHOWN_AT_ONCE = 5;
    private static final int MAX_IN_EXAMPLE = 10;
    private static final int MAX_EXAMPLE_ROWS = 40;

    /** The desk of an entity. */
    public static NormalizeDesk of(Judged judged) {
        EntityRelation about = judged.about();
        EntityRelation kept = judged.standing().kept();
        StatedDependencies stated = judged.standing().open().design().dependencies().find(kept.entity().id())
                .orElse(StatedDependencies.none(kept.entity().id()));
        Relation relation = about.relation();
        Verdict verdict = judged.verdict();
        List<Fault> faults = new ArrayList<>();
        for (Violation violation : verdict.violations()) {
            Optional<String> reason = reason(about, stated, violation.dependency());
            boolean whole = !judged.typing() || faults.size() < SHOWN_AT_ONCE;
            faults.add(new Fault(faults.size() + 1, title(violation), tone(violation),
                    relation.text(violation.dependency()), violation.why(relation),
                    whole ? Optional.of(Harm.of(verdict, about.rows(), violation)) : Optional.empty(), reason));
        }
        faults.sort(Comparator.comparing(fault -> fault.reason().isPresent()));
        long accepted = faults.stream().filter(fault -> fault.reason().isPresent()).count();
        List<KeyChoice> keys = verdict.keys().keys().stream().limit(12)
                .map(key -> new KeyChoice(relation.text(key), key.equals(about.key()))).toList();
        Closure closure = new Closure(relation.attributes().size(), relation.functional());
        List<Steps> closures = new ArrayList<>(
                verdict.keys().keys().stream().limit(4).map(key -> steps(relation, closure, key)).toList());
        verdict.violations().stream().map(Violation::dependency).map(Dependency::determinant).distinct().limit(6)
                .forEach(set -> closures.add(steps(relation, closure, set)));
        return new NormalizeDesk(kept.entity().id().value(), kept.entity().name(), relation.attributes(),
                about.rows().size(), judged.text(), judged.lines().remarks(),
                judged.typing() ? List.of() : Suggestion.of(about, stated), DependencyPicture.of(about, verdict).svg(),
                verdict.form(), faults.size() == accepted, keys,
                verdict.keys().more() || verdict.keys().keys().size() > 12, relation.text(verdict.keys().prime()),
                faults, accepted, signs(judged.standing()),
                judged.standing().across().stream().map(AcrossEntities::question).toList(), closures,
                example(relation));
    }

    private static List<Sign> signs(Standing standing) {
        return standing.signs().stream()
                .map(sign -> new Sign(sign.question(standing.kept().relation().attributes()), switch (sign.kind()) {
            case NUMBERED, LIST -> "Make it an entity of its own";
            case NAME, ADDRESS -> "Split it into attributes";
        })).toList();
    }

    private static Example example(Relation relation) {
        if (relation.attributes().size() > MAX_IN_EXAMPLE || !relation.multivalued().isEmpty()) {
            return new Example(List.of(), List.of());
        }
        List<List<String>> rows = new ArrayList<>();
        for (int[] row : Armstrong.rows(relation.attributes().size(), relation.functional())) {
            List<String> cells = new ArrayList<>();
            for (int column = 0; column < row.length; column++) {
                cells.add(relation.attributes().get(column).charAt(0) + String.valueOf(row[column]));
            }
            rows.add(cells);
        }
        return new Example(relation.attributes(), rows.size() > MAX_EXAMPLE_ROWS ? List.of() : rows);
    }

    private static Optional<String> reason(EntityRelation about, StatedDependencies stated, Dependency dependency) {
        Stated fault = about.stated(dependency);
        return stated.accepted().stream().filter(accepted -> accepted.fault().equals(fault))
                .map(StatedDependencies.Accepted::reason).findFirst();
    }

    private static String title(Violation violation) {
        return switch (violation.kind()) {
            case PARTIAL -> "Part of the key decides";
            case TRANSITIVE -> "A fact by way of another";
            case PART_OF_KEY -> "A part of the key is decided";
            case INDEPENDENT -> "Independent facts in one table";
        };
    }

    private static String tone(Violation violation) {
        return violation.kind() == Violation.Kind.PARTIAL ? "ochre" : "madder";
    }

    private static Steps steps(Relation relation, Closure closure, AttributeSet set) {
        List<String> lines = closure.steps(set).stream().map(step -> relation.text(step.used()) + " adds "
                + relation.text(step.added()) + ": {" + relation.text(step.reached()) + "}").toList();
        return new Steps("{" + relation.text(set) + "}", lines, closure.of(set).containsAll(relation.all()));
    }
}
