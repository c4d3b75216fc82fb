package entaxis.core.expression;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** An expression in which some of its parts are said otherwise; all else stays as it was written. Linear. */
public final class Rewriting {
    /** A rule that says which parts are replaced, and by what. */
    public interface Rule {
        /** The words for a part; nothing if it stays, with its own parts rewritten. */
        Optional<String> exchange(Term term, Rewriting rewriting);
    }

    private final String text;
    private final Rule rule;

    private Rewriting(String text, Rule rule) {
        this.text = text;
        this.rule = rule;
    }

    /**
     * The words of an expression, or of a statement that makes a view, by a rule; as they are where something in it is
     * not known.
     */
    public static Expression of(Expression expression, Rule rule) {
        Optional<Term> tree = expression.tree().or(() -> QueryReader.view(expression.text()));
        return tree.map(read -> expression.worded(text -> {
            Term whole = read.at(0, text.length());
            Rewriting rewriting = new Rewriting(text, rule);
            return text.substring(0, whole.from()) + rewriting.words(whole) + text.substring(whole.to());
        })).orElse(expression);
    }

    /** The words of a part, rewritten. */
    public String words(Term term) {
        return rule.exchange(term, this).orElseGet(() -> inside(term, term.from(), term.to()));
    }

    /** What stands from one place of the text up to another within a part, with its parts rewritten. */
    public String inside(Term term, int from, int to) {
        StringBuilder words = new StringBuilder();
        int done = from;
        for (Term part : placed(term)) {
            if (part.from() >= done && part.to() <= to) {
                words.append(text, done, part.from()).append(words(part));
                done = part.to();
            }
        }
        return words.append(text, done, to).toString();
    }

    /** What was written from one place up to another. */
    public String written(int from, int to) {
        return text.substring(from, to);
    }

    /** The parts of a term that have a place, in the order in which they stand. */
    private static List<Term> placed(Term term) {
        List<Term> placed = new ArrayList<>();
        for (Term part : term.parts()) {
            if (part.placed()) {
                placed.add(part);
            } else {
                placed.addAll(placed(part));
            }
        }
        placed.sort((one, other) -> Integer.compare(one.from(), other.from()));
        return placed;
    }
}
