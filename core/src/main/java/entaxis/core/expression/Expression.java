package entaxis.core.expression;

import entaxis.core.token.Identifiers;
import entaxis.core.token.Lexer;
import entaxis.core.token.Literals;
import entaxis.core.token.SqlText;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * An SQL expression (ISO/IEC 9075-2, 6.28): its words, which are given back as somebody wrote them, and what they mean.
 * Two are equal if their words are. Immutable; what is worked out of the words is worked out once.
 */
public final class Expression {
    private final String text;
    private volatile Optional<Term> tree;
    private volatile String canonical;

    private Expression(String text) {
        this.text = text;
    }

    /** The expression of some words. */
    public static Expression of(String text) {
        return new Expression(text);
    }

    /** The expression of some words; nothing where there are none. */
    public static Optional<Expression> ofNonEmpty(String text) {
        return text.isEmpty() ? Optional.empty() : Optional.of(of(text));
    }

    /** Its words. */
    public String text() {
        return text;
    }

    /** What it is made of; nothing if something in it is not known here. Linear, once. */
    public Optional<Term> tree() {
        Optional<Term> known = tree;
        if (known == null) {
            known = ExpressionReader.read(text);
            tree = known;
        }
        return known;
    }

    /** The same without brackets around all of it. */
    public Expression withoutBrackets() {
        return worded(words -> tree().map(term -> words.substring(term.from(), term.to())).orElseGet(words::strip));
    }

    /** Whether brackets stand around all of it. */
    public boolean standsInBrackets() {
        SqlText words = SqlText.of(text);
        return words.is(0, "(") && words.closing(0) == words.size() - 1;
    }

    /** What it says, as a text that is the same for another one of the same sense; its words are in ISO quotes. */
    public String canonical() {
        String known = canonical;
        if (known == null) {
            known = CanonicalForm.of(this);
            canonical = known;
        }
        return known;
    }

    /** The same for engines where a number is a truth value. */
    public String canonicalOfNumericTruth() {
        return CanonicalForm.ofNumericTruth(this);
    }

    /** The same with other words. */
    public Expression worded(UnaryOperator<String> words) {
        String other = words.apply(text);
        return other.equals(text) ? this : of(other);
    }

    /**
     * The same with some of its columns under other names.
     *
     * @param names the new name as SQL, by the old one in small letters
     */
    public Expression renamed(Map<String, String> names) {
        if (names.isEmpty()) {
            return this;
        }
        return tree().isPresent() ? Rewriting.of(this, (term, rewriting) -> renamed(term, rewriting, names))
                : worded(words -> Identifiers.exchanged(words, names));
    }

    /**
     * The same with calls of some functions under other names; also of a statement that creates a view.
     *
     * @param names the other name by the one in small letters
     */
    public Expression callingOtherwise(Map<String, String> names) {
        String small = text.toLowerCase(Locale.ROOT);
        return names.keySet().stream().noneMatch(small::contains) ? this
                : Rewriting.of(this, (term, rewriting) -> calledOtherwise(term, rewriting, names));
    }

    private static Optional<String> calledOtherwise(Term call, Rewriting rewriting, Map<String, String> names) {
        String other = call.kind() == Term.Kind.CALL ? names.get(call.word()) : null;
        int behind = call.from() + call.word().length();
        boolean plain = other != null && rewriting.written(call.from(), behind).equalsIgnoreCase(call.word());
        return plain ? Optional.of(other + rewriting.inside(call, behind, call.to())) : Optional.empty();
    }

    private static Optional<String> renamed(Term term, Rewriting rewriting, Map<String, String> names) {
        String name = isName(term) ? names.get(term.word()) : null;
        if (name == null) {
            return Optional.empty();
        }
        String written = rewriting.written(term.from(), term.to());
        return Optional.of(written.substring(0, written.length() - lastName(written)) + name);
    }

    /** How long the last part of a qualified name is. */
    private static int lastName(String written) {
        return Lexer.tokens(written).getLast().text().length();
    }

    /** Whether a term can be a column; some engines take words for it that others keep for themselves. */
    private static boolean isName(Term term) {
        return term.kind() == Term.Kind.NAME || term.kind() == Term.Kind.WORD && !term.constant();
    }

    /** The columns that it speaks of, in small letters. */
    public Set<String> columns() {
        return tree().map(term -> {
            Set<String> columns = new LinkedHashSet<>();
            columns(term, columns);
            return columns;
        }).orElseGet(() -> Identifiers.columns(text));
    }

    private static void columns(Term term, Set<String> columns) {
        if (isName(term)) {
            columns.add(term.word());
        } else {
            term.parts().forEach(part -> columns(part, columns));
        }
    }

    /** Whether it is a constant. */
    public boolean isConstant() {
        return Literals.isConstant(text);
    }

    /** The functions of some names that it calls, in the order in which it does; names are in small letters. */
    public List<String> calls(Set<String> names) {
        return tree().map(Term::calls).orElseGet(() -> Identifiers.called(text).stream()).filter(names::contains)
                .toList();
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Expression expression && expression.text.equals(text);
    }

    @Override
    public int hashCode() {
        return text.hashCode();
    }

    /** Its words. */
    @Override
    public String toString() {
        return text;
    }
}
