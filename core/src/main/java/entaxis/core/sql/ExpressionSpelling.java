package entaxis.core.sql;

import entaxis.core.expression.Expression;
import entaxis.core.expression.Rewriting;
import entaxis.core.expression.Term;
import entaxis.core.token.Lexer;
import entaxis.core.token.SqlText;
import entaxis.core.token.Token;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Says an expression of ISO SQL in an engine's words: names in its quotes, words and functions that it calls otherwise,
 * types of casts, constants of time without the word before them. Of an expression that cannot be read only the names
 * are put into the engine's quotes; one that stands in these already is left alone.
 */
final class ExpressionSpelling {
    private static final Set<String> TYPED = Set.of("date", "time", "timestamp");
    /** A type that engines call otherwise, if they call any type otherwise. */
    private static final String OTHER_TYPE = "text";
    private static final String AS = "as";

    private final Dialect dialect;
    private final Map<String, String> words;
    private final boolean otherQuotes;

    private ExpressionSpelling(Dialect dialect) {
        this.dialect = dialect;
        this.words = dialect.exchangedWords();
        this.otherQuotes = dialect.quoted("").charAt(0) != '"';
    }

    /** The expression in the words of an engine. Linear. */
    static Expression of(Expression sql, Dialect dialect) {
        ExpressionSpelling spelling = new ExpressionSpelling(dialect);
        return spelling.isStandard() ? sql : sql.tree().isPresent() ? Rewriting.of(sql, spelling::exchanged)
                : sql.worded(spelling::carried);
    }

    /** Names in double quotes, with what qualifies them, in the quotes of an engine. */
    static String names(String sql, Dialect dialect) {
        StringBuilder names = new StringBuilder();
        for (Token piece : Lexer.pieces(sql)) {
            names.append(piece.kind() == Token.Kind.QUOTED_NAME ? dialect.name(piece.name()) : piece.text());
        }
        return names.toString();
    }

    private boolean isStandard() {
        return !otherQuotes && words.isEmpty() && dialect.typedLiterals()
                && dialect.castType(OTHER_TYPE).equals(OTHER_TYPE);
    }

    /** Words that cannot be read; in double quotes some engines would take a name for a text. */
    private String carried(String sql) {
        return sql.indexOf(dialect.quoted("").charAt(0)) < 0 ? names(sql, dialect) : sql;
    }

    private Optional<String> exchanged(Term term, Rewriting rewriting) {
        return switch (term.kind()) {
            case NAME -> name(rewriting.written(term.from(), term.to()));
            case WORD -> Optional.ofNullable(words.get(term.word()));
            case TEXT -> text(rewriting.written(term.from(), term.to()));
            case CALL -> call(term, rewriting);
            case CAST -> cast(term, rewriting);
            case NUMBER, OPERATOR, LIST -> Optional.empty();
        };
    }

    private Optional<String> name(String written) {
        return written.indexOf('"') < 0 ? Optional.empty() : Optional.of(names(written, dialect));
    }

    /** Without the word that says that a text is a date, a time or a moment (ISO/IEC 9075-2, 5.3). */
    private Optional<String> text(String written) {
        int quote = written.indexOf('\'');
        boolean typed = !dialect.typedLiterals() && quote > 0
                && TYPED.contains(written.substring(0, quote).strip().toLowerCase(Locale.ROOT));
        return typed ? Optional.of(written.substring(quote)) : Optional.empty();
    }

    private Optional<String> call(Term term, Rewriting rewriting) {
        int open = rewriting.written(term.from(), term.to()).indexOf('(');
        if (open < 0) {
            return Optional.empty();
        }
        String function = rewriting.written(term.from(), term.from() + open);
        if (!isNameOf(term, SqlText.of(function))) {
            return Optional.empty();
        }
        String spelled = words.getOrDefault(term.word(), names(function, dialect));
        return spelled.equals(function) ? Optional.empty()
                : Optional.of(spelled + rewriting.inside(term, term.from() + open, term.to()));
    }

    /** Whether a text is the name that is called; CASE, COLLATE and others are calls in the tree without one. */
    private static boolean isNameOf(Term call, SqlText text) {
        int end = text.behindName(0);
        return end > 0 && end == text.size() && text.at(end - 1).name().equalsIgnoreCase(call.word());
    }

    /** The type behind AS (ISO/IEC 9075-2, 6.13). */
    private Optional<String> cast(Term term, Rewriting rewriting) {
        int behind = term.first().to();
        String written = rewriting.written(behind, term.to());
        int as = 0;
        while (as < written.length() && (written.charAt(as) <= ' ' || written.charAt(as) == ')')) {
            as++;
        }
        int close = written.lastIndexOf(')');
        if (!written.regionMatches(true, as, AS, 0, AS.length()) || close < as) {
            return Optional.empty();
        }
        int type = as + AS.length();
        return Optional.of(rewriting.inside(term, term.from(), behind + type) + " "
                + dialect.castType(written.substring(type, close).strip()) + written.substring(close));
    }
}
