package entaxis.core.reconcile;

import entaxis.core.schema.Program;
import entaxis.core.token.Lexer;
import entaxis.core.token.Token;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A routine, trigger or view in two parts: what an engine keeps letter by letter, and the head, which it rewords.
 *
 * @param head  the text without what is kept
 * @param words what the head says beside names and constants: when a trigger fires, the types of a routine, how it may
 *              be used
 * @param kept  the part that is kept, blanks aside; empty if there is none
 */
public record ProgramParts(String head, Set<String> words, Optional<String> kept) {
    /** Words that say when a trigger fires. */
    public static final Set<String> FIRING = Set.of("before", "after", "instead", "insert", "update", "delete",
            "truncate", "row", "deferrable", "deferred");
    /** Words that say what a routine takes and gives, and how it may be used. */
    public static final Set<String> USE = Set.of("immutable", "stable", "strict", "leakproof", "deterministic",
            "reads", "modifies", "int", "bigint", "smallint", "tinyint", "numeric", "real", "double",
            "boolean", "text", "character", "date", "timestamp", "timestamptz", "time", "timetz", "datetime",
            "interval", "json", "jsonb",
            "uuid", "bytea", "blob", "void", "trigger", "setof", "inout", "out");
    private static final Map<String, String> SPELLED =
            Map.ofEntries(Map.entry("integer", "int"), Map.entry("int4", "int"),
                    Map.entry("int8", "bigint"), Map.entry("int2", "smallint"),
                    Map.entry("varchar", "character"), Map.entry("char", "character"), Map.entry("bool", "boolean"),
                    Map.entry("decimal", "numeric"), Map.entry("dec", "numeric"), Map.entry("float8", "double"),
                    Map.entry("float", "double"),
                    Map.entry("float4", "real"));

    static ProgramParts of(Program program) {
        return CatalogWording.of(program.target()).parts(program);
    }

    /** A program of which nothing is kept letter by letter. */
    public static ProgramParts head(String text, Set<String> words) {
        return new ProgramParts(text, words, Optional.empty());
    }

    /** Whether the two parts tell programs apart. */
    boolean apart(ProgramParts other) {
        return !words.equals(other.words) || kept.isPresent() && other.kept.isPresent() && !kept.equals(other.kept);
    }

    /** Those of some words that a head says, each in one spelling; a word behind NOT does not count. */
    public static Set<String> words(String head, Set<String> asked) {
        Set<String> words = new HashSet<>();
        String before = "";
        for (Token token : Lexer.tokens(head)) {
            String word = token.text().toLowerCase(Locale.ROOT);
            String spelled = SPELLED.getOrDefault(word, word);
            boolean cast = before.equals(":");
            boolean denied = before.equals("not");
            if (token.kind() == Token.Kind.WORD && asked.contains(spelled) && !cast && !denied) {
                words.add(spelled);
            }
            before = word;
        }
        return words;
    }

    /** A text with its blanks drawn together, without those signs at its end. Linear. */
    static String drawnTogether(String text, String ends) {
        StringBuilder drawn = new StringBuilder(text.length());
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            boolean blank = c == ' ' || c >= '\t' && c <= '\r';
            if (!blank) {
                drawn.append(c);
            } else if (!drawn.isEmpty() && drawn.charAt(drawn.length() - 1) != ' ') {
                drawn.append(' ');
            }
        }
        int end = drawn.length();
        while (end > 0 && ends.indexOf(drawn.charAt(end - 1)) >= 0) {
            end--;
        }
        return drawn.substring(0, end);
    }

    /** A text with its blanks drawn together, without what ends the statement. */
    public static String withoutBlanks(String text) {
        return drawnTogether(text, " ;/");
    }
}
