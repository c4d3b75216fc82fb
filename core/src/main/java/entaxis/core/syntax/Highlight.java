package entaxis.core.syntax;

import entaxis.core.targets.Target;
import entaxis.core.token.DelimitedText;
import entaxis.core.token.LexicalRule;
import entaxis.core.token.Token.Kind;
import entaxis.core.token.Tokens;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/**
 * A script cut into runs that are shown in one ink each, by the tokens that the reader of scripts sees: what is a name,
 * a text or a comment is as the engine has it. Linear.
 */
public final class Highlight {
    private static final Set<String> KEYWORDS = Set.of("create", "table", "alter", "add", "constraint", "primary",
            "foreign", "references", "unique", "check", "not", "null", "default", "generated", "always", "by", "as",
            "identity", "on", "delete", "update", "cascade", "restrict", "set", "no", "is", "drop", "if", "exists",
            "insert", "into", "values", "select", "from", "where", "join", "left", "right", "inner", "outer", "group",
            "order", "having", "and", "or", "in", "between", "like", "limit", "distinct", "union", "case", "when",
            "then", "else", "end", "returns", "begin", "declare", "commit", "grant", "to", "with", "increment",
            "auto_increment", "autoincrement", "using", "include");
    /** Words that are also good names for a column. */
    private static final Set<String> OBJECTS = Set.of("key", "action", "comment", "column", "schema", "index", "view",
            "sequence", "trigger", "function", "procedure", "type", "domain", "start");
    private static final Set<String> TYPES = Set.of("varchar", "char", "character", "varying", "text", "integer",
            "smallint", "bigint", "tinyint", "numeric", "real", "double", "precision", "boolean", "date", "time",
            "timestamp", "zone", "interval", "uuid", "json", "jsonb", "blob", "binary", "varbinary", "bytea", "large",
            "object", "day", "hour", "minute", "second", "year", "month", "inet", "xml", "int", "nvarchar", "varchar2",
            "nvarchar2", "number", "decimal", "datetime", "datetime2", "clob", "bit", "float", "enum");
    /** Bodies between dollars may stand in each other. */
    private static final int MAX_DEPTH = 3;

    /** What a run is. */
    public enum Ink { PLAIN, KEYWORD, TYPE, STRING, NUMBER, COMMENT, NAME }

    /** Neighbouring text of one ink. */
    public record Run(Ink ink, String text) { }

    private final String script;
    private final ScriptSyntax syntax;
    private final int depth;
    private final List<Run> runs;

    private Highlight(String script, ScriptSyntax syntax, int depth, List<Run> runs) {
        this.script = script;
        this.syntax = syntax;
        this.depth = depth;
        this.runs = runs;
    }

    /** The runs of a script in order; joined they are the script again. */
    public static List<Run> runs(String script, Target engine) {
        List<Run> runs = new ArrayList<>();
        new Highlight(script, ScriptSyntax.of(engine), 0, runs).run();
        return runs;
    }

    private void run() {
        StatementSplitter splitter = new StatementSplitter(script, syntax);
        TokenizedStatement statement = new TokenizedStatement();
        Tokens tokens = statement.tokens();
        int done = 0;
        while (splitter.next(statement)) {
            for (int token = 0; token < tokens.count(); token++) {
                between(done, tokens.from(token));
                token(tokens, token);
                done = tokens.to(token);
            }
        }
        between(done, script.length());
    }

    private void add(Ink ink, int from, int to) {
        if (from >= to) {
            return;
        }
        String text = script.substring(from, to);
        if (!runs.isEmpty() && runs.getLast().ink() == ink) {
            runs.add(new Run(ink, runs.removeLast().text() + text));
        } else {
            runs.add(new Run(ink, text));
        }
    }

    private void token(Tokens tokens, int token) {
        int from = tokens.from(token);
        int to = tokens.to(token);
        boolean body = tokens.kind(token) == Kind.STRING && script.charAt(from) == '$';
        if (body && depth < MAX_DEPTH) {
            int tag = script.indexOf('$', from + 1) + 1 - from;
            add(Ink.PLAIN, from, from + tag);
            new Highlight(script.substring(from + tag, to - tag), syntax, depth + 1, runs).run();
            add(Ink.PLAIN, to - tag, to);
            return;
        }
        add(switch (tokens.kind(token)) {
            case WORD -> word(script.substring(from, to).toLowerCase(Locale.ROOT),
                    token > 0 && (tokens.is(token - 1, '(') || tokens.is(token - 1, ',')));
            case STRING -> Ink.STRING;
            case NUMBER -> Ink.NUMBER;
            case QUOTED_NAME -> Ink.NAME;
            default -> Ink.PLAIN;
        }, from, to);
    }

    /** The ink of a word in small letters, which begins an element of a list or not: there it is mostly a name. */
    private static Ink word(String word, boolean begins) {
        return KEYWORDS.contains(word) || !begins && OBJECTS.contains(word) ? Ink.KEYWORD
                : !begins && TYPES.contains(word) ? Ink.TYPE : Ink.PLAIN;
    }

    /** What stands between two tokens: blanks, comments, signs that end statements, commands of the client. */
    private void between(int from, int to) {
        int at = from;
        int plain = from;
        while (at < to) {
            int end = Math.min(to, commentEnd(at));
            if (end > at) {
                add(Ink.PLAIN, plain, at);
                add(Ink.COMMENT, at, end);
                plain = end;
                at = end;
            } else {
                at++;
            }
        }
        add(Ink.PLAIN, plain, to);
    }

    /** Behind the comment that begins at a place; the place itself where none does. */
    private int commentEnd(int at) {
        boolean line = script.startsWith("--", at)
                || script.charAt(at) == '#' && syntax.lexicalRules().has(LexicalRule.HASH_COMMENTS);
        if (line) {
            int end = script.indexOf('\n', at);
            return end < 0 ? script.length() : end;
        }
        if (!script.startsWith("/*", at)) {
            return at;
        }
        int end = DelimitedText.commentEnd(script, at, syntax.lexicalRules().has(LexicalRule.NESTED_COMMENTS));
        return end < 0 ? script.length() : end;
    }
}
