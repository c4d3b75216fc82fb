package entaxis.core.sql;

import entaxis.core.token.Lexer;
import entaxis.core.token.Token;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/** SQL text cut into runs that are shown in one ink each. */
public final class Highlight {
    private static final Set<String> KEYWORDS =
            Set.of("create", "table", "alter", "add", "constraint", "primary", "key", "foreign", "references", "unique",
                    "check", "not", "null", "default", "generated", "always", "by", "as", "identity", "on", "delete",
                    "update", "cascade", "restrict", "set", "no",
                    "action", "comment", "column", "is", "drop", "if", "exists", "schema", "insert", "into", "values",
                    "select", "from", "where", "join", "left", "right",
                    "inner", "outer", "group", "order", "having", "and", "or", "in", "between", "like", "limit",
                    "distinct", "union", "case", "when", "then", "else", "end");
    private static final Set<String> TYPES = Set.of("varchar", "char", "character", "varying", "text", "integer",
            "smallint", "bigint", "tinyint", "numeric",
            "real", "double", "precision", "boolean", "date", "time", "timestamp", "zone", "with", "interval", "uuid",
            "json", "jsonb", "blob", "binary",
            "varbinary", "bytea", "large", "object", "day", "hour", "minute", "second", "year", "month", "to", "inet",
            "xml");

    /** What a run is. */
    public enum Ink { PLAIN, KEYWORD, TYPE, STRING, NUMBER, COMMENT, NAME }

    /** Neighbouring text of one ink. */
    public record Run(Ink ink, String text) { }

    private Highlight() { }

    /** The runs of a text in order; joined they are the text again. Linear. */
    public static List<Run> runs(String sql) {
        List<Run> runs = new ArrayList<>();
        for (Token token : Lexer.tokens(sql)) {
            Ink ink = ink(token);
            if (!runs.isEmpty() && runs.getLast().ink() == ink) {
                runs.add(new Run(ink, runs.removeLast().text() + token.text()));
            } else {
                runs.add(new Run(ink, token.text()));
            }
        }
        return runs;
    }

    private static Ink ink(Token token) {
        String word = token.text().toLowerCase(Locale.ROOT);
        return switch (token.kind()) {
            case WORD -> KEYWORDS.contains(word) ? Ink.KEYWORD : TYPES.contains(word) ? Ink.TYPE : Ink.PLAIN;
            case STRING -> Ink.STRING;
            case NUMBER -> Ink.NUMBER;
            case COMMENT -> Ink.COMMENT;
            case QUOTED_NAME -> Ink.NAME;
            case SYMBOL, SPACE, UNCLOSED, END -> Ink.PLAIN;
        };
    }
}
