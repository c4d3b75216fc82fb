package entaxis.core.reconcile;

import entaxis.core.token.Lexer;
import entaxis.core.token.Token;
import java.util.ArrayDeque;
import java.util.BitSet;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * Finds the tables that a trigger names: the one that it is on, those that its statements read and change, and those in
 * front of columns. Names of columns that are called like a table are none (SQLite documentation, CREATE TRIGGER;
 * PostgreSQL manual, CREATE TRIGGER). Linear.
 */
final class TriggerTables {
    private static final Set<String> BEFORE_TABLE = Set.of("on", "into", "from", "join", "update");
    /** What ends a list of tables. */
    private static final Set<String> ENDS_LIST = Set.of("where", "group", "order", "having", "limit", "union", "except",
            "intersect", "set", "values", "select", "window", "for", "when", "begin", "end", "execute", "returning");
    private final List<Token> tokens;
    private final BitSet found = new BitSet();
    /** For each bracket that is open: whether a query or change stands in it, so that FROM names a table. */
    private final Deque<Boolean> reads = new ArrayDeque<>(List.of(true));
    /** For each bracket that is open: whether a table may follow a comma. */
    private final Deque<Boolean> lists = new ArrayDeque<>(List.of(false));
    private boolean inBody;

    private TriggerTables(List<Token> tokens) {
        this.tokens = tokens;
    }

    /**
     * The text of a trigger with tables called otherwise.
     *
     * @param names the new name as SQL, by the old one in small letters
     */
    static String renamed(String text, Map<String, String> names) {
        List<Token> pieces = Lexer.pieces(text);
        int[] places = IntStream.range(0, pieces.size()).filter(i -> pieces.get(i).matters()).toArray();
        TriggerTables tables = new TriggerTables(IntStream.of(places).mapToObj(pieces::get).toList());
        tables.find();
        String[] words = pieces.stream().map(Token::text).toArray(String[]::new);
        tables.found.stream().forEach(token -> {
            String other = names.get(tables.tokens.get(token).name().toLowerCase(Locale.ROOT));
            words[places[token]] = other == null ? words[places[token]] : other;
        });
        return String.join("", words);
    }

    private void find() {
        int at = 0;
        while (at < tokens.size()) {
            at = step(at);
        }
    }

    private boolean is(int at, String word) {
        return at >= 0 && at < tokens.size() && tokens.get(at).is(word);
    }

    private boolean isOneOf(int at, Set<String> words) {
        return tokens.get(at).kind() == Token.Kind.WORD
                && words.contains(tokens.get(at).text().toLowerCase(Locale.ROOT));
    }

    /** Looks at a token; where to go on. */
    private int step(int at) {
        if (is(at, "(")) {
            reads.push(false);
            lists.push(false);
        } else if (is(at, ")") && reads.size() > 1) {
            reads.pop();
            lists.pop();
        } else if (is(at, ",") && lists.peek()) {
            return table(at + 1);
        } else if (isOneOf(at, BEFORE_TABLE) && leadsToTable(at)) {
            boolean list = is(at, "from") || is(at, "join");
            lists.pop();
            lists.push(list);
            return table(at + 1);
        } else if (isOneOf(at, ENDS_LIST) || is(at, ";")) {
            inBody |= is(at, "begin");
            lists.pop();
            lists.push(false);
            if (is(at, "select")) {
                reads.pop();
                reads.push(true);
            }
        } else if (tokens.get(at).isName() && is(at + 1, ".") && !is(at - 1, ".")) {
            found.set(at);
            return at + 3;
        }
        return at + 1;
    }

    /** Whether a table stands behind a word: a condition follows ON of a join, and FROM may be part of a call. */
    private boolean leadsToTable(int at) {
        if (is(at, "on")) {
            return !inBody;
        }
        if (is(at, "update")) {
            return inBody && !is(at + 1, "of");
        }
        return !is(at, "from") || reads.peek() && !(is(at - 1, "distinct") && (is(at - 2, "is") || is(at - 2, "not")));
    }

    /** Takes the name of a table, its last part; UPDATE OR IGNORE and ONLY stand before it. */
    private int table(int from) {
        int at = is(from, "or") ? from + 2 : is(from, "only") ? from + 1 : from;
        if (at >= tokens.size() || !tokens.get(at).isName()) {
            return at;
        }
        while (is(at + 1, ".") && at + 2 < tokens.size() && tokens.get(at + 2).isName()) {
            at += 2;
        }
        found.set(at);
        return at + 1;
    }
}
