package entaxis.core.expression;

import entaxis.core.expression.Term.Kind;
import entaxis.core.token.Lexer;
import entaxis.core.token.LexicalRules;
import entaxis.core.token.Token;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * The tables, views, columns and functions that the query of a view reads (ISO/IEC 9075-2, 7.6). Names that the query
 * defines itself, by WITH or for a query behind FROM, are not among them. Linear in the text, but for the depth of
 * queries in queries.
 */
public final class ViewQuery {

    /**
     * A table or view that is read.
     *
     * @param name      its name in small letters
     * @param qualified whether a schema stands before it
     */
    public record ReadTable(String name, boolean qualified) { }

    /** A column with the table that it is read from, named before it; its name is in small letters. */
    public record ReadColumn(ReadTable table, String name) { }

    /** A name of a table in the text, which an alias or a qualifier repeats or not. */
    private record Mention(String table, int from, int to) { }

    private final String text;
    private final LexicalRules rules;
    private final Set<ReadTable> tables = new LinkedHashSet<>();
    private final Set<ReadColumn> columns = new LinkedHashSet<>();
    /** Names of columns without a table before them, a star among them. */
    private final Set<String> bare = new HashSet<>();
    private final Set<String> functions;
    private final List<Mention> mentions = new ArrayList<>();

    private ViewQuery(String text, LexicalRules rules, Term view) {
        this.text = text;
        this.rules = rules;
        this.functions = view.calls().collect(Collectors.toUnmodifiableSet());
        visit(view, Scope.NONE);
    }

    /**
     * What a statement that creates a view reads; nothing if something in its query is not known here.
     *
     * @param rules how its engine cuts texts into tokens
     */
    public static Optional<ViewQuery> of(String statement, LexicalRules rules) {
        return QueryReader.view(ExpressionCursor.ofEveryForm(statement, rules))
                .map(view -> new ViewQuery(statement, rules, view));
    }

    /** The tables and views, each once, in the order in which they stand. */
    public Set<ReadTable> tables() {
        return tables;
    }

    /** The columns that are named with their table, or its alias, before them. */
    public Set<ReadColumn> columns() {
        return columns;
    }

    /**
     * Whether it reads a column of a table, or may: one that is named without its table may be that of any that the
     * query reads, and a star stands for all.
     *
     * @param table  the table's name without its schema, in any letters
     * @param column the column, in any letters
     */
    public boolean mayRead(String table, String column) {
        String from = table.toLowerCase(Locale.ROOT);
        String name = column.toLowerCase(Locale.ROOT);
        return reads(table) && (bare.contains(name) || bare.contains("*")
                || columns.stream().anyMatch(read -> read.table().name().equals(from) && read.name().equals(name)));
    }

    /** Whether it reads a table or view of a name, in any letters and any schema. */
    public boolean reads(String table) {
        String name = table.toLowerCase(Locale.ROOT);
        return tables.stream().anyMatch(read -> read.name().equals(name));
    }

    /** The names of what is called, in small letters, without a schema. */
    public Set<String> functions() {
        return functions;
    }

    /**
     * The statement once some tables have other names: where they are read, and where their names qualify columns.
     *
     * @param names the new name as SQL, by the old one in small letters
     */
    public String renamed(Map<String, String> names) {
        Map<Integer, Mention> renamed = new TreeMap<>();
        mentions.stream().filter(mention -> names.containsKey(mention.table()))
                .forEach(mention -> renamed.put(mention.from(), mention));
        StringBuilder words = new StringBuilder();
        int done = 0;
        for (Mention mention : renamed.values()) {
            words.append(text, done, mention.from()).append(names.get(mention.table()));
            done = mention.to();
        }
        return words.append(text, done, text.length()).toString();
    }

    /**
     * What names stand for at a place of the query.
     *
     * @param defined   names that WITH defines
     * @param qualifier the table behind each name before a column; nothing for what the query defines
     */
    private record Scope(Set<String> defined, Map<String, Optional<ReadTable>> qualifier) {
        static final Scope NONE = new Scope(Set.of(), Map.of());

        Scope defining(List<String> names) {
            Set<String> all = new HashSet<>(defined);
            all.addAll(names);
            return new Scope(all, qualifier);
        }

        Scope with(Map<String, Optional<ReadTable>> tables) {
            Map<String, Optional<ReadTable>> all = new HashMap<>(qualifier);
            all.putAll(tables);
            return new Scope(defined, all);
        }
    }

    private void visit(Term term, Scope scope) {
        if (term.isCall("with")) {
            List<String> names = term.first().parts().stream().map(named -> named.first().word()).toList();
            term.parts().forEach(part -> visit(part, scope.defining(names)));
        } else if (term.isCall("select")) {
            select(term, scope);
        } else if (term.isCall("sorted") && term.first().isCall("select")) {
            Scope inside = select(term.first(), scope);
            term.parts().stream().skip(1).forEach(part -> visit(part, inside));
        } else if (term.isOperator("as")) {
            visit(term.first(), scope);   // what it is called is no column that is read
        } else if (term.isOperator("named")) {
            visit(term.parts().getLast(), scope);
        } else if (term.kind() == Kind.NAME) {
            column(term, scope);
        } else {
            if (term.kind() == Kind.WORD && !term.constant() && !term.word().equals("*")) {
                // some engines take words of the language for columns
                bare.add(term.word());
            }
            term.parts().forEach(part -> visit(part, scope));
        }
    }

    /** Visits what one SELECT reads, and gives the scope in which it does. */
    private Scope select(Term select, Scope outer) {
        Map<String, Optional<ReadTable>> read = new HashMap<>();
        Term joined = select.parts().get(2);
        joined.first().parts().forEach(table -> read(table, outer, read));
        Scope scope = outer.with(read);
        for (Term part : select.parts()) {
            if (part == joined) {
                joined.first().parts().forEach(table -> inside(table, scope));
                visit(joined.parts().getLast(), scope);
            } else {
                visit(part, scope);
            }
        }
        return scope;
    }

    /** Takes what a part of FROM names. */
    private void read(Term table, Scope outer, Map<String, Optional<ReadTable>> read) {
        if (table.kind() == Kind.NAME) {
            List<Token> names = names(table);
            ReadTable one = new ReadTable(table.word(), names.size() > 1);
            boolean defined = !one.qualified() && outer.defined().contains(one.name());
            if (!defined) {
                tables.add(one);
                mention(table, names.getLast(), one.name());
            }
            String called = table.parts().isEmpty() ? one.name() : table.first().word();
            boolean twice = read.containsKey(called);
            read.put(called, defined || twice ? Optional.empty() : Optional.of(one));
        } else if (table.isOperator("derived")) {
            read.put(table.parts().getLast().word(), Optional.empty());
        } else {
            groups(table).forEach(group -> group.first().parts().forEach(part -> read(part, outer, read)));
        }
    }

    /** Visits the queries and conditions within a part of FROM. */
    private void inside(Term table, Scope scope) {
        if (table.isOperator("derived")) {
            visit(table.first(), scope);
        } else if (table.kind() != Kind.NAME) {
            groups(table).forEach(group -> {
                group.first().parts().forEach(part -> inside(part, scope));
                visit(group.parts().getLast(), scope);
            });
            visit(table.parts().getLast(), scope);
        }
    }

    /** The groups of tables that an outer join joins. */
    private static List<Term> groups(Term outerJoin) {
        return outerJoin.parts().stream().filter(part -> part.isCall("joined")).toList();
    }

    private void column(Term term, Scope scope) {
        if (term.parts().isEmpty()) {
            bare.add(term.word());
            return;
        }
        String before = term.first().word();
        scope.qualifier().getOrDefault(before, Optional.empty()).ifPresent(table -> {
            if (term.word().equals("*")) {
                bare.add(term.word());
            } else {
                columns.add(new ReadColumn(table, term.word()));
            }
            if (before.equals(table.name()) && term.placed()) {
                List<Token> names = names(term);
                mention(term, names.get(Math.max(0, names.size() - 2)), before);
            }
        });
    }

    private void mention(Term term, Token name, String table) {
        mentions.add(new Mention(table, term.from() + name.start(), term.from() + name.end()));
    }

    /** The names that a qualified name is made of; a star counts as one. */
    private List<Token> names(Term term) {
        return Lexer.tokens(text.substring(term.from(), term.to()), rules).stream().filter(token -> !token.is("."))
                .toList();
    }
}
