package entaxis.core.reading;

import entaxis.core.token.Lexer;
import entaxis.core.token.Token;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/**
 * The tables, views and functions that a query reads, by the places in which their names stand (ISO/IEC 9075-2, 7.6):
 * behind FROM and JOIN, behind commas of such a list, and in front of brackets. Linear in the text.
 */
final class QueriedNames {
    private static final Set<String> ENDS_LIST = Set.of("where", "group", "having", "order", "limit", "offset",
            "union", "intersect", "except", "window", "fetch", "set", "returning", "select");
    private static final Set<String> BEFORE_NAME = Set.of("only", "lateral", "table");

    /** What stands within one pair of brackets. */
    private static final class Level {
        private final boolean query;
        private boolean inList;

        Level(boolean query) {
            this.query = query;
        }
    }

    private final List<Token> tokens;
    private final Deque<Level> levels = new ArrayDeque<>(List.of(new Level(true)));
    private final Set<String> relations = new HashSet<>();
    private final Set<String> functions = new HashSet<>();

    QueriedNames(String text) {
        this.tokens = Lexer.tokens(text);
        boolean expected = false;
        for (int i = 0; i < tokens.size(); i++) {
            String word = word(i);
            Level level = levels.peek();
            if (word.equals("(")) {
                levels.push(new Level(expected || word(i + 1).equals("select") || word(i + 1).equals("with")));
                levels.peek().inList = expected;
            } else if (word.equals(")") && levels.size() > 1) {
                levels.pop();
                expected = false;
            } else if (word.equals("from") && level.query && !(i > 0 && word(i - 1).equals("distinct"))
                    || word.equals("join")) {
                level.inList = true;
                expected = true;
            } else if (word.equals(",")) {
                expected = level.inList;
            } else if (ENDS_LIST.contains(word)) {
                level.inList = false;
                expected = false;
            } else if (tokens.get(i).isName() && !(expected && BEFORE_NAME.contains(word))) {
                i = name(i, expected);
                expected = false;
            }
        }
    }

    /** Takes a name with what qualifies it; gives its last token. */
    private int name(int from, boolean expected) {
        int last = from;
        while (word(last + 1).equals(".") && last + 2 < tokens.size() && tokens.get(last + 2).isName()) {
            last += 2;
        }
        String name = tokens.get(last).name().toLowerCase(Locale.ROOT);
        if (word(last + 1).equals("(")) {
            functions.add(name);
        } else if (expected) {
            relations.add(name);
        }
        return last;
    }

    private String word(int at) {
        return at < tokens.size() ? tokens.get(at).text().toLowerCase(Locale.ROOT) : "";
    }

    /** Tables and views, in small letters, without the schema. */
    Set<String> relations() {
        return relations;
    }

    /** What is called, in small letters, without the schema. */
    Set<String> functions() {
        return functions;
    }
}
