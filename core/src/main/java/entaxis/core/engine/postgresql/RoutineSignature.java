package entaxis.core.engine.postgresql;

import entaxis.core.sql.Dialect;
import entaxis.core.sql.SpelledTypes;
import entaxis.core.targets.Target;
import entaxis.core.token.Lexer;
import entaxis.core.token.Token;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/**
 * What PostgreSQL tells routines of one name apart by: the types of what they take, without lengths, names and defaults
 * (PostgreSQL manual, CREATE FUNCTION, “Overloading”). Linear.
 */
final class RoutineSignature {
    private static final Set<String> MODES = Set.of("in", "inout", "variadic");
    /** Words that may stand second in the name of a type. */
    private static final Set<String> SECOND = Set.of("precision", "varying", "with", "without", "[", "array", ".");
    private static final Dialect DIALECT = Dialect.of(Target.POSTGRESQL);

    private RoutineSignature() { }

    /** The signature of what stands in the brackets behind the name of a routine. */
    static String of(String arguments) {
        List<String> types = new ArrayList<>();
        List<String> words = new ArrayList<>();
        boolean byDefault = false;
        int depth = 0;
        for (Token token : Lexer.tokens(arguments + ",")) {
            depth += token.is("(") ? 1 : 0;
            if (depth == 0 && token.is(",")) {
                add(words, types);
                words.clear();
                byDefault = false;
            } else if (depth == 0) {
                byDefault |= token.is("default") || token.is("=") || token.is(":");
                if (!byDefault) {
                    words.add(token.kind() == Token.Kind.WORD ? token.text().toLowerCase(Locale.ROOT) : token.text());
                }
            }
            depth -= token.is(")") ? 1 : 0;
        }
        return String.join(",", types);
    }

    /** The arguments of a routine without their defaults, as DROP FUNCTION takes them (PostgreSQL manual). */
    static String withoutDefaults(String arguments) {
        StringBuilder text = new StringBuilder();
        boolean byDefault = false;
        int depth = 0;
        for (Token token : Lexer.pieces(arguments)) {
            depth += token.is("(") || token.is("[") ? 1 : token.is(")") || token.is("]") ? -1 : 0;
            byDefault = !(depth == 0 && token.is(",")) && (byDefault || token.is("default") || token.is("=")
                    || token.is(":"));
            text.append(byDefault ? "" : token.text());
        }
        return text.toString().replaceAll("\\s+(?=,|$)", "");
    }

    private static void add(List<String> argument, List<String> types) {
        List<String> words = new ArrayList<>(argument);
        if (words.isEmpty() || words.getFirst().equals("out")) {
            return;
        }
        if (MODES.contains(words.getFirst()) && words.size() > 1) {
            words.removeFirst();
        }
        if (words.size() > 1 && !SECOND.contains(words.get(1))) {
            words.removeFirst();
        }
        if (words.size() > 2 && words.get(1).equals(".")) {
            words.subList(0, 2).clear();
        }
        boolean array = words.contains("[");
        words.removeIf(word -> word.equals("[") || word.equals("]"));
        types.add(DIALECT.read(SpelledTypes.cut(String.join(" ", words))).text() + (array ? "[]" : ""));
    }
}
