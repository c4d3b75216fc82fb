package entaxis.core.sql;

import entaxis.core.design.ProgramKind;
import entaxis.core.schema.Program;
import entaxis.core.token.Lexer;
import entaxis.core.token.Token.Kind;
import entaxis.core.token.Token;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;

/**
 * What tells a routine, trigger or rule from others of its name.
 *
 * @param arguments what stands in the brackets behind the name of a routine, as it was written
 * @param table     the table of a trigger or rule, as it was written
 */
public record ProgramHead(String arguments, String table) {
    private static final Set<String> KINDS = Set.of("function", "procedure", "proc", "trigger", "rule");

    /** Reads the text of a program; linear in it. What has neither, or cannot be read, has empty ones. */
    public static ProgramHead of(Program program) {
        if (program.kind() == ProgramKind.VIEW || program.kind() == ProgramKind.PACKAGE) {
            return new ProgramHead("", "");
        }
        boolean routine = program.kind() == ProgramKind.FUNCTION || program.kind() == ProgramKind.PROCEDURE;
        List<Token> tokens = (routine ? Lexer.pieces(program.text(), new ClosingBracket())
                : Lexer.pieces(program.text())).stream().filter(token -> token.kind() != Kind.COMMENT).toList();
        int at = 0;
        while (at < tokens.size() && !(tokens.get(at).kind() == Kind.WORD
                && KINDS.contains(tokens.get(at).text().toLowerCase(java.util.Locale.ROOT)))) {
            at++;
        }
        if (routine) {
            return new ProgramHead(inBrackets(tokens, at), "");
        }
        String before = program.kind() == ProgramKind.TRIGGER ? "on" : "to";
        while (at < tokens.size() && !tokens.get(at).is(before)) {
            at++;
        }
        return new ProgramHead("", name(tokens, at + 2));
    }

    /** Tells the sign that closes the first bracket: what tells routines apart stands before it. */
    private static final class ClosingBracket implements Predicate<Token> {
        private int depth;

        @Override
        public boolean test(Token token) {
            depth += token.is("(") ? 1 : token.is(")") ? -1 : 0;
            return depth == 0 && token.is(")");
        }
    }

    /** What stands in the brackets behind the name; nothing if there are none right behind it. */
    private static String inBrackets(List<Token> tokens, int kind) {
        int at = kind + 1;
        while (at < tokens.size() && !tokens.get(at).is("(") && !tokens.get(at).is("as")
                && !tokens.get(at).is("return") && !tokens.get(at).is("begin")) {
            at++;
        }
        if (at >= tokens.size() || !tokens.get(at).is("(")) {
            return "";
        }
        StringBuilder inside = new StringBuilder();
        int depth = 1;
        for (at++; at < tokens.size(); at++) {
            depth += tokens.get(at).is("(") ? 1 : tokens.get(at).is(")") ? -1 : 0;
            if (depth == 0) {
                return inside.toString();
            }
            inside.append(tokens.get(at).kind() == Kind.SPACE ? " " : tokens.get(at).text());
        }
        return "";
    }

    /** A name with what qualifies it, in whatever quotes. */
    private static String name(List<Token> tokens, int from) {
        StringBuilder name = new StringBuilder();
        boolean quoted = false;
        for (int at = from; at < tokens.size(); at++) {
            Token token = tokens.get(at);
            quoted = token.is("[") || !token.is("]") && quoted != token.is("`");
            boolean goesOn = quoted || token.is(".") || token.is("`") || token.is("]")
                    || token.isName() && (name.isEmpty() || name.charAt(name.length() - 1) == '.');
            if (!goesOn) {
                break;
            }
            name.append(token.text());
        }
        return name.toString();
    }
}
