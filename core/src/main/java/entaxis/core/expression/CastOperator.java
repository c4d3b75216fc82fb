package entaxis.core.expression;

import entaxis.core.expression.Term.Kind;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/**
 * Turns what PostgreSQL, H2 and DuckDB write otherwise than ISO SQL: the cast operator {@code value::type} (PostgreSQL
 * manual, 4.2.9) becomes CAST (ISO/IEC 9075-2, 6.13), and {@code value = ANY (ARRAY[...])} and {@code value <> ALL
 * (ARRAY[...])}, as PostgreSQL keeps IN and NOT IN (PostgreSQL manual, 9.24 and 9.25), become these again (8.4).
 */
public final class CastOperator {
    private static final String OPERATOR = "::";
    /** Types that hold every text. */
    private static final Set<String> TEXTS = Set.of("text", "varchar", "character varying", "bpchar", "name");

    private final Predicate<String> texts;

    private CastOperator(Predicate<String> texts) {
        this.texts = texts;
    }

    /**
     * The expression in ISO words. What is a text already is not cast to a text. Linear.
     *
     * @param texts tells the names of columns that hold texts, in small letters
     */
    public static Expression asIso(Expression expression, Predicate<String> texts) {
        boolean none = !expression.text().contains(OPERATOR) && expression.text().indexOf('[') < 0;
        return none ? expression : Rewriting.of(expression, new CastOperator(texts)::exchanged);
    }

    private Optional<String> exchanged(Term term, Rewriting rewriting) {
        return switch (term.kind()) {
            case CAST -> cast(term, rewriting);
            case OPERATOR -> list(term, rewriting);
            default -> Optional.empty();
        };
    }

    private Optional<String> cast(Term term, Rewriting rewriting) {
        Term part = term.parts().getFirst();
        String behind = rewriting.written(part.to(), term.to());
        int operator = behind.lastIndexOf(OPERATOR);
        if (operator < 0) {
            return Optional.empty();
        }
        String type = behind.substring(operator + OPERATOR.length()).strip();
        String value = bare(rewriting.inside(term, term.from(), part.to() + operator).strip());
        return Optional.of(cast(part, value, type));
    }

    private String cast(Term part, String value, String type) {
        String lower = type.toLowerCase(Locale.ROOT);
        if (uncast(part).equals(Term.of(Kind.TEXT, "now"))) {
            // PostgreSQL manual, 8.5.1.4, Special Values
            return lower.equals("date") ? "current_date" : lower.startsWith("timestamp") ? "current_timestamp" : value;
        }
        boolean textual = part.kind() == Kind.TEXT || part.kind() == Kind.NAME && part.parts().isEmpty()
                && texts.test(part.word()) || uncast(part).kind() == Kind.TEXT;
        boolean list = lower.endsWith("[]") && TEXTS.contains(lower.replace("[]", "")) && isArray(part);
        return TEXTS.contains(lower) && textual || list ? value : "CAST(" + value + " AS " + type + ")";
    }

    /** What was cast to a text before. */
    private static Term uncast(Term part) {
        return part.kind() == Kind.CAST && TEXTS.contains(part.word()) ? uncast(part.parts().getFirst()) : part;
    }

    private static boolean isArray(Term term) {
        return term.kind() == Kind.CALL && term.word().equals("array");
    }

    /** A value without brackets around it. */
    private static String bare(String value) {
        String bare = value;
        while (bare.startsWith("(") && bare.endsWith(")") && bare.indexOf(')') == bare.length() - 1) {
            bare = bare.substring(1, bare.length() - 1).strip();
        }
        return bare;
    }

    private static Optional<String> list(Term term, Rewriting rewriting) {
        boolean equal = term.isOperator("= any");
        if (!equal && !term.isOperator("<> all")) {
            return Optional.empty();
        }
        Term array = term.parts().getLast();
        while (array.kind() == Kind.CAST) {
            array = array.parts().getFirst();
        }
        if (!isArray(array)) {
            return Optional.empty();
        }
        Term left = term.parts().getFirst();
        int sign = left.to() + rewriting.written(left.to(), term.to()).indexOf(equal ? "=" : "<>");
        List<Term> items = array.parts().getFirst().parts();
        return Optional.of(rewriting.inside(term, term.from(), sign) + (equal ? "IN (" : "NOT IN (")
                + items.stream().map(rewriting::words).collect(Collectors.joining(", ")) + ")");
    }
}
