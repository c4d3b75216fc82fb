package entaxis.core.expression;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * A part of an expression.
 *
 * @param kind  what it is
 * @param word  the operator, function, name or constant; names and words of the language in small letters
 * @param parts what it is applied to, in order
 * @param from  where it begins in the text that it was read from, without brackets around it; negative if it was not
 *              read but made
 * @param to    where it ends there
 */
public record Term(Kind kind, String word, List<Term> parts, int from, int to) {
    private static final int NOWHERE = -1;

    private static final Set<String> QUERIES = Set.of("select", "sorted", "with", "values", "union", "union all",
            "except", "except all", "intersect", "intersect all");

    /** What a part of an expression is. */
    public enum Kind {
        /** A column. */
        NAME,
        /** A text constant, without its quotes. */
        TEXT,
        /** A number. */
        NUMBER,
        /** A word of the language that stands for a value, such as {@code null}. */
        WORD,
        /** A function with its arguments. */
        CALL,
        /** An operator with its operands. */
        OPERATOR,
        /** A value turned into another type, which is the word. */
        CAST,
        /** A list in brackets. */
        LIST
    }

    /** Copies the parts. */
    public Term {
        parts = List.copyOf(parts);
    }

    Term(Kind kind, String word, List<Term> parts) {
        this(kind, word, parts, NOWHERE, NOWHERE);
    }

    /** This term with its place, unless it has one. */
    Term at(int begin, int end) {
        return from >= 0 ? this : new Term(kind, word, parts, begin, end);
    }

    /** Whether it has a place in the text. */
    boolean placed() {
        return from >= 0;
    }

    /** A term that was not read but made. */
    public static Term of(Kind kind, String word, Term... parts) {
        return new Term(kind, word, List.of(parts));
    }

    static Term operator(String word, Term... parts) {
        return of(Kind.OPERATOR, word, parts);
    }

    /** Whether it is an operator. */
    public boolean isOperator(String operator) {
        return kind == Kind.OPERATOR && word.equals(operator);
    }

    /** Whether it is a function of a name, in small letters. */
    public boolean isCall(String function) {
        return kind == Kind.CALL && word.equals(function);
    }

    /** The functions that are called in it, itself among them, in the order in which they stand. */
    public Stream<String> calls() {
        Stream<String> own = kind == Kind.CALL && placed() && !query() ? Stream.of(word) : Stream.empty();
        return Stream.concat(own, parts.stream().flatMap(Term::calls));
    }

    /** Its first part; what it is cast from, for instance. */
    public Term first() {
        return parts.getFirst();
    }

    /** Whether it is a constant: a text, a number, a truth value or null. */
    public boolean constant() {
        return kind == Kind.TEXT || kind == Kind.NUMBER
                || kind == Kind.WORD && (word.equals("null") || word.equals("true") || word.equals("false"));
    }

    /** Whether it is a query, as {@link QueryReader} makes them. */
    boolean query() {
        return kind == Kind.CALL && QUERIES.contains(word);
    }

    /** Terms are equal if they say the same, wherever they stand. */
    @Override
    public boolean equals(Object other) {
        return other instanceof Term term && term.kind == kind && term.word.equals(word) && term.parts.equals(parts);
    }

    @Override
    public int hashCode() {
        return (kind.hashCode() * 31 + word.hashCode()) * 31 + parts.hashCode();
    }

    Term with(List<Term> newParts) {
        return new Term(kind, word, newParts);
    }

    /** The tree written out so that equal texts are equal trees. */
    String written() {
        return switch (kind) {
            case NAME -> "\"" + word + "\"";
            case TEXT -> "'" + word.replace("'", "''") + "'";
            case NUMBER, WORD -> word;
            case CALL, OPERATOR, CAST, LIST ->
                    parts.stream().map(Term::written).collect(Collectors.joining(", ", word + "(", ")"));
        };
    }
}
