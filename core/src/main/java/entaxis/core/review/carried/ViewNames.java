package entaxis.core.review.carried;

import entaxis.core.token.Lexer;
import entaxis.core.token.Token.Kind;
import entaxis.core.token.Token;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * The tables and columns that a view's text names for certain: tables behind FROM and JOIN without a schema before
 * them, and columns with one of these tables, or its alias, before them. What the view defines itself (WITH) is none of
 * them.
 *
 * @param tables  the table behind each name by which columns are qualified
 * @param columns columns that are qualified by such a name
 */
record ViewNames(Map<String, String> tables, Set<Qualified> columns) {
    private static final Set<String> WITH_FROM = Set.of("extract", "trim", "substring", "overlay", "position");
    private static final Set<String> NO_ALIAS = Set.of("on", "using", "where", "group", "order", "having", "join",
            "inner", "left", "right", "full", "cross", "natural",
            "union", "except", "intersect", "limit", "fetch", "offset", "window", "for", "lateral", "with",
            "tablesample", "select", "set", "partition", "use", "force");

    /** A column with what stands before it. */
    record Qualified(String table, String name) { }

    static ViewNames of(String text) {
        List<Token> tokens = Lexer.tokens(text);
        Set<String> defined = new HashSet<>();
        for (int i = 0; i + 2 < tokens.size(); i++) {
            // the name of a WITH query, with its columns or without
            if (tokens.get(i).isName()
                    && (tokens.get(i + 1).is("as") && tokens.get(i + 2).is("(") || tokens.get(i + 1).is("("))) {
                defined.add(name(tokens.get(i)));
            }
        }
        Map<String, String> tables = new HashMap<>();
        Set<String> unclear = new HashSet<>(defined);
        Deque<String> before = new ArrayDeque<>();
        for (int i = 0; i < tokens.size(); i++) {
            Token token = tokens.get(i);
            if (token.is("(")) {
                before.push(i > 0 ? name(tokens.get(i - 1)) : "");
            } else if (token.is(")") && !before.isEmpty()) {
                before.pop();
            }
            boolean from = token.is("from") && !(i > 0 && tokens.get(i - 1).is("distinct"))
                    && !WITH_FROM.contains(before.isEmpty() ? "" : before.peek());
            if (from || token.is("join")) {
                table(tokens, i + 1, tables, unclear);
            }
        }
        unclear.forEach(tables::remove);
        return new ViewNames(tables, qualified(tokens));
    }

    /**
     * The table that begins at a place, with its alias; a schema, a function or a query there makes the alias unclear.
     */
    private static void table(List<Token> tokens, int at, Map<String, String> tables, Set<String> unclear) {
        if (at + 1 >= tokens.size() || !tokens.get(at).isName()
                || tokens.get(at).kind() == Kind.WORD && NO_ALIAS.contains(name(tokens.get(at)))) {
            return;
        }
        String table = name(tokens.get(at));
        boolean plain = !tokens.get(at + 1).is(".") && !tokens.get(at + 1).is("(") && !unclear.contains(table);
        int next = tokens.get(at + 1).is("as") ? at + 2 : at + 1;
        boolean alias = next < tokens.size() && tokens.get(next).isName() && !NO_ALIAS.contains(name(tokens.get(next)));
        String called = alias ? name(tokens.get(next)) : table;
        if (!plain || tables.containsKey(called) && !tables.get(called).equals(table)) {
            unclear.add(called);
        } else {
            tables.put(called, table);
        }
    }

    private static Set<Qualified> qualified(List<Token> tokens) {
        Set<Qualified> columns = new LinkedHashSet<>();
        for (int i = 0; i + 2 < tokens.size(); i++) {
            boolean alone = (i == 0 || !tokens.get(i - 1).is("."))
                    && (i + 3 >= tokens.size() || !tokens.get(i + 3).is(".") && !tokens.get(i + 3).is("("));
            if (alone && tokens.get(i).isName() && tokens.get(i + 1).is(".") && tokens.get(i + 2).isName()) {
                columns.add(new Qualified(name(tokens.get(i)), name(tokens.get(i + 2))));
            }
        }
        return columns;
    }

    private static String name(Token token) {
        return token.isName() ? token.name().toLowerCase(Locale.ROOT) : token.text().toLowerCase(Locale.ROOT);
    }
}
