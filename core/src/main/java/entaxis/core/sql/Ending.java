package entaxis.core.sql;

import entaxis.core.targets.Target;
import entaxis.core.token.Lexer;
import entaxis.core.token.SqlText;
import entaxis.core.token.Token;
import java.util.Locale;
import java.util.Set;

/**
 * How a statement is ended in a script, so that the engine's client sends it whole: behind a routine that has
 * semicolons of its own a semicolon alone would cut it.
 */
public final class Ending {
    private static final int MAX_WORDS = 8;
    /** Ends a batch, on a line of its own. */
    public static final String BATCH = "GO\n";
    private static final Set<String> BETWEEN =
            Set.of("or", "replace", "alter", "editionable", "noneditionable", "and", "resolve", "compile");

    private Ending() { }

    /** A statement with what ends it, in lines that can follow any other. Linear in its length. */
    public static String of(String statement, Target engine) {
        return Dialect.of(engine).ended(statement);
    }

    /** Puts a statement with what ends it behind a script; a batch that has just begun is not begun again. */
    public static void append(StringBuilder script, String statement, Target engine) {
        String ended = of(statement, engine);
        script.append(ended.startsWith(BATCH) && batchEnds(script) ? ended.substring(BATCH.length()) : ended)
                .append('\n');
    }

    /** Whether the last line that is not blank ends a batch. */
    public static boolean batchEnds(CharSequence script) {
        int end = script.length();
        while (end > 0 && script.charAt(end - 1) <= ' ') {
            end--;
        }
        return end >= 2 && script.charAt(end - 1) == 'O' && script.charAt(end - 2) == 'G'
                && (end == 2 || script.charAt(end - 3) == '\n');
    }

    /** A statement with a semicolon at its end. */
    public static String semicolon(String text) {
        return text.endsWith(";") ? text : text + ";";
    }

    /**
     * What kind of thing a statement creates or alters, in small letters; empty if it does neither. Looks at its first
     * words only.
     */
    public static String created(String text) {
        SqlText words = SqlText.beginning(text, MAX_WORDS);
        if (!words.is(0, "create") && !words.is(0, "alter")) {
            return "";
        }
        int at = 1;
        while (BETWEEN.contains(words.at(at).text().toLowerCase(Locale.ROOT))) {
            at++;
        }
        return words.at(at).kind() == Token.Kind.WORD ? words.at(at).text().toLowerCase(Locale.ROOT) : "";
    }

    /** Whether a statement has semicolons of its own before its end. */
    public static boolean hasInner(String text) {
        String body = text.endsWith(";") ? text.substring(0, text.length() - 1) : text;
        return body.indexOf(';') >= 0 && Lexer.tokens(body).stream().anyMatch(token -> token.is(";"));
    }
}
