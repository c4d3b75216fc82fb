package entaxis.core.expression;

import entaxis.core.token.Lexer;
import entaxis.core.token.Token.Kind;
import entaxis.core.token.Token;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Checks that a text is exactly one SQL expression, so that a statement in which it is placed keeps its meaning. An
 * expression that {@link ExpressionReader} can parse is accepted. Engines know more expressions than that grammar; of
 * those, all brackets must be closed, there may be no semicolon and no comment, and outside of brackets no comma and
 * no keyword that starts another clause. Linear.
 */
public final class SingleExpression {
    private static final Set<String> CLAUSES = Set.of("references", "check", "primary", "foreign", "unique",
            "constraint", "default", "generated", "comment", "auto_increment",
            "identity", "alter", "create", "drop", "insert", "update", "delete", "grant", "select", "values", "execute",
            "call", "go", "begin", "commit");

    private SingleExpression() { }

    /** What is wrong with it, for people; nothing if it is one expression. */
    public static Optional<String> fault(String text) {
        List<Token> tokens = Lexer.pieces(text);
        int depth = 0;
        boolean any = false;
        Optional<String> outside = Optional.empty();
        for (Token token : tokens) {
            if (token.kind() == Kind.UNCLOSED) {
                return Optional.of("A quote or comment in it is not closed.");
            }
            if (token.kind() == Kind.COMMENT) {
                return Optional.of("There is a comment in it; leave it out.");
            }
            if (token.is(";")) {
                return Optional.of("There is a semicolon in it. It is one expression, not several statements.");
            }
            depth += token.is("(") ? 1 : token.is(")") ? -1 : 0;
            if (depth < 0) {
                return Optional.of("A bracket is closed in it that was not opened.");
            }
            boolean other = depth == 0 && (token.is(",")
                    || token.kind() == Kind.WORD && CLAUSES.contains(token.text().toLowerCase(java.util.Locale.ROOT)));
            outside = outside.isPresent() || !other ? outside
                    : Optional.of("“" + token.text() + "” ends the expression; it is one expression and nothing else.");
            any |= token.kind() != Kind.SPACE;
        }
        if (depth > 0) {
            return Optional.of("A bracket in it is not closed.");
        }
        if (!any) {
            return Optional.of("It is empty.");
        }
        return outside.isPresent() && ExpressionReader.read(text).isEmpty() ? outside : Optional.empty();
    }
}
