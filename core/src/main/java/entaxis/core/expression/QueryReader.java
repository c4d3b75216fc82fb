package entaxis.core.expression;

import entaxis.core.expression.ExpressionCursor.GivenUp;
import entaxis.core.expression.Term.Kind;
import entaxis.core.token.Token;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/**
 * Reads a query (ISO/IEC 9075-2, 7.17) into a tree in which the way its joins are spelled is undone: the conditions of
 * inner joins stand among those of WHERE, an outer join is a group of tables that need not be there. Gives up on what
 * it does not know. Linear.
 */
final class QueryReader {
    private static final Set<String> CLAUSES = Set.of("where", "group", "having", "order", "limit", "offset", "fetch",
            "union", "except", "intersect", "minus", "on", "using", "inner", "left", "right",
            "full", "cross", "natural", "join", "straight_join", "window", "for", "with", "as", "from", "tablesample");
    private static final Term NONE = Term.of(Kind.LIST, "");
    private static final Term STAR = Term.operator("as", Term.of(Kind.NAME, "*"), NONE);

    private final ExpressionCursor tokens;

    QueryReader(ExpressionCursor tokens) {
        this.tokens = tokens;
    }

    /** Tables that are joined with each other, and what holds for them. */
    private record Joined(List<Term> tables, List<Term> conditions) {
        Joined and(Joined other) {
            return new Joined(both(tables, other.tables), both(conditions, other.conditions));
        }

        Joined where(Term condition) {
            return new Joined(tables, both(conditions, List.of(condition)));
        }

        /** These, and the others where there are some. */
        Joined optional(Joined others, Term condition) {
            return new Joined(both(tables, List.of(Term.operator("optional", others.term(), condition))), conditions);
        }

        Term term() {
            return Term.of(Kind.CALL, "joined", new Term(Kind.LIST, "tables", tables),
                    new Term(Kind.OPERATOR, "and", conditions));
        }

        private static List<Term> both(List<Term> first, List<Term> second) {
            List<Term> all = new ArrayList<>(first);
            all.addAll(second);
            return all;
        }
    }

    /**
     * The query of a statement that makes a view in ISO quotes, with the names of its columns where they are listed;
     * none if something in it is not known here.
     */
    static Optional<Term> view(String sql) {
        return view(new ExpressionCursor(sql));
    }

    /** The same of a statement whose tokens are passed. */
    static Optional<Term> view(ExpressionCursor tokens) {
        QueryReader reader = new QueryReader(tokens);
        try {
            boolean stored = false;
            while (!reader.tokens.accept("view")) {
                stored |= reader.tokens.is("materialized");
                reader.pass();
            }
            reader.tokens.accept("if", "not");
            reader.tokens.accept("exists");
            reader.tokens.name();
            while (reader.tokens.accept(".")) {
                reader.tokens.name();
            }
            Term columns = reader.tokens.is("(") ? reader.names() : NONE;
            while (!reader.tokens.accept("as")) {
                reader.pass();
            }
            Term query = reader.query();
            return reader.ended() ? Optional.of(Term.of(Kind.CALL, stored ? "stored view" : "view", columns, query))
                    : Optional.empty();
        } catch (GivenUp e) {
            return Optional.empty();
        }
    }

    /** What may follow the query of a view does not change what it gives. */
    private boolean ended() {
        if (tokens.accept("with")) {
            while (!tokens.atEnd() && tokens.isName()) {
                tokens.advance();
            }
        }
        return tokens.atEnd();
    }

    private void pass() {
        if (tokens.atEnd()) {
            throw new GivenUp();
        }
        tokens.advance();
    }

    private Term expression() {
        return new ExpressionReader(tokens).expression(0);
    }

    /** A list of names in brackets. */
    private Term names() {
        tokens.expect("(");
        List<Term> names = new ArrayList<>();
        do {
            names.add(Term.of(Kind.NAME, tokens.name().toLowerCase(Locale.ROOT)));
        } while (tokens.accept(","));
        tokens.expect(")");
        return new Term(Kind.LIST, "", names);
    }

    Term query() {
        tokens.deeper();
        Term query;
        if (tokens.accept("with")) {
            tokens.accept("recursive");
            List<Term> named = new ArrayList<>();
            do {
                named.add(named());
            } while (tokens.accept(","));
            query = Term.of(Kind.CALL, "with", new Term(Kind.LIST, "", named), sorted(united()));
        } else {
            query = sorted(united());
        }
        tokens.higher();
        return query;
    }

    private Term named() {
        Term name = Term.of(Kind.NAME, tokens.name().toLowerCase(Locale.ROOT));
        Term columns = tokens.is("(") ? names() : NONE;
        tokens.expect("as");
        tokens.accept("not");
        tokens.accept("materialized");
        tokens.expect("(");
        Term query = query();
        tokens.expect(")");
        return Term.operator("named", name, columns, query);
    }

    private Term united() {
        Term left = intersected();
        while (tokens.is("union") || tokens.is("except") || tokens.is("minus")) {
            String word = tokens.accept("union") ? "union" : "except";
            acceptEither("minus", "except");
            String kind = word + (tokens.accept("all") ? " all" : "");
            tokens.accept("distinct");
            left = Term.of(Kind.CALL, kind, left, intersected());
        }
        return left;
    }

    private Term intersected() {
        Term left = simple();
        while (tokens.accept("intersect")) {
            String kind = "intersect" + (tokens.accept("all") ? " all" : "");
            tokens.accept("distinct");
            left = Term.of(Kind.CALL, kind, left, simple());
        }
        return left;
    }

    private Term simple() {
        if (tokens.accept("(")) {
            Term query = query();
            tokens.expect(")");
            return query;
        }
        if (tokens.acceptReworded("table")) {
            return Term.of(Kind.CALL, "select", NONE, Term.of(Kind.LIST, "items", STAR), table().term(), NONE, NONE);
        }
        if (tokens.accept("values")) {
            List<Term> rows = new ArrayList<>();
            do {
                rows.add(expression());
            } while (tokens.accept(","));
            return new Term(Kind.CALL, "values", rows);
        }
        return select();
    }

    /** A query with its order and its limits, if it has any. */
    private Term sorted(Term query) {
        Term order = tokens.is("order") ? ordering() : NONE;
        List<Term> limits = new ArrayList<>();
        while (tokens.is("limit") || tokens.is("offset") || tokens.is("fetch")) {
            limits(limits);
        }
        return order.equals(NONE) && limits.isEmpty() ? query
                : Term.of(Kind.CALL, "sorted", query, order, new Term(Kind.LIST, "", limits));
    }

    private void limits(List<Term> limits) {
        if (tokens.accept("limit")) {
            Term first = expression();
            if (tokens.accept(",")) {
                limits.add(Term.operator("offset", first));
                first = expression();
            }
            limits.add(Term.operator("limit", first));
        } else if (tokens.accept("offset")) {
            limits.add(Term.operator("offset", expression()));
            acceptEither("rows", "row");
        } else {
            tokens.expect("fetch");
            acceptEither("first", "next");
            Term number = tokens.is("row") || tokens.is("rows") ? Term.of(Kind.NUMBER, "1") : expression();
            acceptEither("rows", "row");
            String ties = tokens.accept("with", "ties") ? " with ties" : "";
            tokens.accept("only");
            limits.add(Term.operator("limit" + ties, number));
        }
    }

    private void acceptEither(String one, String other) {
        if (!tokens.accept(one)) {
            tokens.accept(other);
        }
    }

    private OtherForms others() {
        return new OtherForms(tokens);
    }

    /** ORDER BY with its directions; where nulls come is left to the engine's default. */
    Term ordering() {
        tokens.expect("order");
        tokens.expect("by");
        List<Term> parts = new ArrayList<>();
        do {
            Term value = expression();
            boolean down = tokens.accept("desc");
            tokens.accept("asc");
            tokens.accept("nulls", "first");
            tokens.accept("nulls", "last");
            parts.add(Term.operator(down ? "down" : "up", value));
        } while (tokens.accept(","));
        return new Term(Kind.LIST, "order", parts);
    }

    private Term select() {
        tokens.expect("select");
        tokens.accept("all");
        Term once = NONE;
        if (tokens.accept("distinct")) {
            once = Term.of(Kind.WORD, "distinct");
            if (tokens.accept("on")) {
                tokens.expect("(");
                once = Term.operator("distinct on", list());
                tokens.expect(")");
            }
        }
        List<Term> items = new ArrayList<>(others().top());
        do {
            items.add(item());
        } while (tokens.accept(","));
        Joined from = tokens.accept("from") ? tables() : new Joined(List.of(), List.of());
        if (tokens.accept("where")) {
            from = from.where(expression());
        }
        from = others().hierarchy().map(from::where).orElse(from);
        Term group = tokens.accept("group", "by")
                ? new Term(Kind.LIST, "group", others().groups().orElseGet(() -> list().parts())) : NONE;
        Term having = others().behindGroups(tokens.accept("having") ? expression() : NONE);
        return Term.of(Kind.CALL, "select", once, new Term(Kind.LIST, "items", items), from.term(), group, having);
    }

    private Term list() {
        List<Term> parts = new ArrayList<>();
        do {
            parts.add(expression());
        } while (tokens.accept(","));
        return new Term(Kind.LIST, "", parts);
    }

    private Term item() {
        Term value = tokens.accept("*") ? Term.of(Kind.NAME, "*") : expression();
        boolean named = tokens.accept("as") || !tokens.atEnd() && tokens.isName() && !clause();
        return Term.operator("as", value, named ? Term.of(Kind.NAME, tokens.name().toLowerCase(Locale.ROOT)) : NONE);
    }

    private boolean clause() {
        return tokens.peek().kind() == Token.Kind.WORD
                && (CLAUSES.contains(tokens.peek().text().toLowerCase(Locale.ROOT)) || others().begins());
    }

    private Joined tables() {
        Joined all = joined();
        while (tokens.accept(",")) {
            all = all.and(joined());
        }
        return all;
    }

    private Joined joined() {
        tokens.deeper();
        Joined left = table();
        while (true) {
            if (tokens.accept("cross", "join") || others().joins()) {
                left = left.and(table());
                continue;
            }
            boolean natural = tokens.acceptReworded("natural");
            String kind = tokens.is("left") || tokens.is("right") || tokens.is("full") ? tokens.plainWord() : "inner";
            tokens.accept(kind.equals("inner") ? "inner" : "outer");
            if (!tokens.accept("join") && !tokens.acceptReworded("straight_join")) {
                tokens.higher();
                return left;
            }
            Joined right = table();
            Term condition = natural ? Term.of(Kind.WORD, "true") : condition(kind);
            left = switch (kind) {
                case "inner" -> left.and(right).where(condition);
                case "left" -> left.optional(right, condition);
                case "right" -> right.optional(left, condition);
                default -> new Joined(List.of(Term.operator("full join", left.term(), right.term(), condition)),
                        List.of());
            };
        }
    }

    private Term condition(String kind) {
        if (tokens.accept("on")) {
            return expression();
        }
        if (tokens.accept("using")) {
            List<Term> equal = names().parts().stream().map(column -> Term.operator("=", column, column)).toList();
            return new Term(Kind.OPERATOR, "and", equal);
        }
        if (!kind.equals("inner")) {
            throw new GivenUp();
        }
        return Term.of(Kind.WORD, "true");
    }

    private Joined table() {
        tokens.accept("lateral");
        others().passOnly();
        if (tokens.accept("(")) {
            if (tokens.is("select") || tokens.is("with") || tokens.is("values")) {
                Term query = query();
                tokens.expect(")");
                return new Joined(List.of(Term.operator("derived", query, columns(alias()))), List.of());
            }
            Joined inside = tables();
            tokens.expect(")");
            return inside;
        }
        int before = tokens.at();
        String name = tokens.name();
        while (tokens.accept(".")) {
            name = tokens.name();
        }
        if (tokens.is("(")) {
            tokens.goTo(before);
            Term rows = expression();
            tokens.accept("with", "ordinality");
            return new Joined(List.of(Term.operator("derived", rows, columns(alias()))), List.of());
        }
        int end = tokens.at() - 1;
        others().passSample();
        Term read = new Term(Kind.NAME, name.toLowerCase(Locale.ROOT), alias().stream().toList(), tokens.from(before),
                tokens.to(end));
        others().passHints();
        return new Joined(List.of(read), List.of());
    }

    /** The names of a derived table's columns, where they are listed, under the name that it has. */
    private static Term columns(Optional<Term> alias) {
        return alias.map(name -> new Term(Kind.LIST, name.word(),
                name.parts().stream().flatMap(listed -> listed.parts().stream()).toList())).orElse(NONE);
    }

    /** The name that a table has in a query, with those of its columns where they are listed. */
    private Optional<Term> alias() {
        boolean named = tokens.accept("as") || !tokens.atEnd() && tokens.isName() && !clause();
        if (!named) {
            return Optional.empty();
        }
        String name = tokens.name().toLowerCase(Locale.ROOT);
        return Optional.of(new Term(Kind.NAME, name, tokens.is("(") ? List.of(names()) : List.of()));
    }
}
