package entaxis.core.reading;

import entaxis.core.token.Lexer;
import entaxis.core.token.Token;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * What PostgreSQL tells routines of one name apart by: the types of what they take, without lengths, names and defaults
 * (PostgreSQL manual, CREATE FUNCTION, “Overloading”). Linear.
 */
final class RoutineSignature {
    private static final Set<String> MODES = Set.of("in", "inout", "variadic");
    /** Words that may stand second in the name of a type. */
    private static final Set<String> SECOND = Set.of("precision", "varying", "with", "without", "[", "array", ".");
    private static final Map<String, String> SPELLED = Map.ofEntries(Map.entry("int", "integer"),
            Map.entry("int4", "integer"), Map.entry("int8", "bigint"), Map.entry("int2", "smallint"),
            Map.entry("varchar", "character varying"), Map.entry("char", "character"),
            Map.entry("bpchar", "character"), Map.entry("bool", "boolean"), Map.entry("decimal", "numeric"),
            Map.entry("dec", "numeric"), Map.entry("float8", "double precision"),
            Map.entry("float", "double precision"), Map.entry("float4", "real"),
            Map.entry("timestamp without time zone", "timestamp"), Map.entry("time without time zone", "time"),
            Map.entry("timestamptz", "timestamp with time zone"), Map.entry("timetz", "time with time zone"));

    private RoutineSignature() { }

    /** The signature of what stands in the brackets behind the name of a routine. */
    static String of(String arguments) {
        List<String> types = new ArrayList<>();
        List<String> words = new ArrayList<>();
        boolean byDefault = false;
        int depth = 0;
        for (Token token : Lexer.tokens(arguments + ",")) {
            boolean blank = token.kind() == Token.Kind.SPACE || token.kind() == Token.Kind.COMMENT;
            depth += token.is("(") ? 1 : 0;
            if (depth == 0 && token.is(",")) {
                add(words, types);
                words.clear();
                byDefault = false;
            } else if (depth == 0 && !blank) {
                byDefault |= token.is("default") || token.is("=") || token.is(":");
                if (!byDefault) {
                    words.add(token.kind() == Token.Kind.WORD ? token.text().toLowerCase(Locale.ROOT) : token.text());
                }
            }
            depth -= token.is(")") ? 1 : 0;
        }
        return String.join(",", types);
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
        String type = String.join(" ", words);
        types.add(SPELLED.getOrDefault(type, type) + (array ? "[]" : ""));
    }
}
