package entaxis.core.expression;

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
final class QueryReader extends TokenReader {
    private static final Set<String> CLAUSES = Set.of("where", "group", "having", "order", "limit", "offset", "fetch",
            "union", "except", "intersect", "minus", "on", "using", "inner", "left", "right",
            "full", "cross", "natural", "join", "straight_join", "window", "for", "with", "as", "from", "tablesample");
    private static final Term NONE = Term.of(Kind.LIST, "");

    QueryReader(List<Token> tokens, int at, int depth) {
        super(tokens, at, depth);
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
        QueryReader reader = new QueryReader(of(sql), 0, 0);
        try {
            boolean stored = false;
            while (!reader.accept("view")) {
                stored |= reader.is("materialized");
                reader.pass();
            }
            reader.accept("if", "not");
            reader.accept("exists");
            reader.name();
            while (reader.accept(".")) {
                reader.name();
            }
            Term columns = reader.is("(") ? reader.names() : NONE;
            while (!reader.accept("as")) {
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
        if (accept("with")) {
            while (!atEnd() && tokens.get(at).isName()) {
                at++;
            }
        }
        return atEnd();
    }

    private void pass() {
        if (atEnd()) {
            throw new GivenUp();
        }
        at++;
    }

    private Term expression() {
        return from(new ExpressionReader(tokens, at, depth()), reader -> reader.expression(0));
    }

    /** A list of names in brackets. */
    private Term names() {
        expect("(");
        List<Term> names = new ArrayList<>();
        do {
            names.add(Term.of(Kind.NAME, name().toLowerCase(Locale.ROOT)));
        } while (accept(","));
        expect(")");
        return new Term(Kind.LIST, "", names);
    }

    Term query() {
        deeper();
        Term query;
        if (accept("with")) {
            accept("recursive");
            List<Term> named = new ArrayList<>();
            do {
                named.add(named());
            } while (accept(","));
            query = Term.of(Kind.CALL, "with", new Term(Kind.LIST, "", named), sorted(united()));
        } else {
            query = sorted(united());
        }
        higher();
        return query;
    }

    private Term named() {
        Term name = Term.of(Kind.NAME, name().toLowerCase(Locale.ROOT));
        Term columns = is("(") ? names() : NONE;
        expect("as");
        accept("not");
        accept("materialized");
        expect("(");
        Term query = query();
        expect(")");
        return Term.operator("named", name, columns, query);
    }

    private Term united() {
        Term left = intersected();
        while (is("union") || is("except") || is("minus")) {
            String word = accept("union") ? "union" : "except";
            acceptEither("minus", "except");
            String kind = word + (accept("all") ? " all" : "");
            accept("distinct");
            left = Term.of(Kind.CALL, kind, left, intersected());
        }
        return left;
    }

    private Term intersected() {
        Term left = simple();
        while (accept("intersect")) {
            String kind = "intersect" + (accept("all") ? " all" : "");
            accept("distinct");
            left = Term.of(Kind.CALL, kind, left, simple());
        }
        return left;
    }

    private Term simple() {
        if (accept("(")) {
            Term query = query();
            expect(")");
            return query;
        }
        if (accept("values")) {
            List<Term> rows = new ArrayList<>();
            do {
                rows.add(expression());
            } while (accept(","));
            return new Term(Kind.CALL, "values", rows);
        }
        return select();
    }

    /** A query with its order and its limits, if it has any. */
    private Term sorted(Term query) {
        Term order = is("order") ? ordering() : NONE;
        List<Term> limits = new ArrayList<>();
        while (is("limit") || is("offset") || is("fetch")) {
            limits(limits);
        }
        return order.equals(NONE) && limits.isEmpty() ? query
                : Term.of(Kind.CALL, "sorted", query, order, new Term(Kind.LIST, "", limits));
    }

    private void limits(List<Term> limits) {
        if (accept("limit")) {
            Term first = expression();
            if (accept(",")) {
                limits.add(Term.operator("offset", first));
                first = expression();
            }
            limits.add(Term.operator("limit", first));
        } else if (accept("offset")) {
            limits.add(Term.operator("offset", expression()));
            acceptEither("rows", "row");
        } else {
            expect("fetch");
            acceptEither("first", "next");
            Term number = is("row") || is("rows") ? Term.of(Kind.NUMBER, "1") : expression();
            acceptEither("rows", "row");
            String ties = accept("with", "ties") ? " with ties" : "";
            accept("only");
            limits.add(Term.operator("limit" + ties, number));
        }
    }

    private void acceptEither(String one, String other) {
        if (!accept(one)) {
            accept(other);
        }
    }

    /** ORDER BY with its directions; where nulls come is left to the engine's default. */
    Term ordering() {
        expect("order");
        expect("by");
        List<Term> parts = new ArrayList<>();
        do {
            Term value = expression();
            boolean down = accept("desc");
            accept("asc");
            accept("nulls", "first");
            accept("nulls", "last");
            parts.add(Term.operator(down ? "down" : "up", value));
        } while (accept(","));
        return new Term(Kind.LIST, "order", parts);
    }

    private Term select() {
        expect("select");
        accept("all");
        Term once = NONE;
        if (accept("distinct")) {
            once = Term.of(Kind.WORD, "distinct");
            if (accept("on")) {
                expect("(");
                once = Term.operator("distinct on", list());
                expect(")");
            }
        }
        List<Term> items = new ArrayList<>();
        do {
            items.add(item());
        } while (accept(","));
        Joined from = accept("from") ? tables() : new Joined(List.of(), List.of());
        if (accept("where")) {
            from = from.where(expression());
        }
        Term group = accept("group", "by") ? new Term(Kind.LIST, "group", list().parts()) : NONE;
        Term having = accept("having") ? expression() : NONE;
        return Term.of(Kind.CALL, "select", once, new Term(Kind.LIST, "items", items), from.term(), group, having);
    }

    private Term list() {
        List<Term> parts = new ArrayList<>();
        do {
            parts.add(expression());
        } while (accept(","));
        return new Term(Kind.LIST, "", parts);
    }

    private Term item() {
        Term value = accept("*") ? Term.of(Kind.NAME, "*") : expression();
        boolean named = accept("as") || !atEnd() && tokens.get(at).isName() && !clause();
        return Term.operator("as", value, named ? Term.of(Kind.NAME, name().toLowerCase(Locale.ROOT)) : NONE);
    }

    private boolean clause() {
        return tokens.get(at).kind() == Token.Kind.WORD
                && CLAUSES.contains(tokens.get(at).text().toLowerCase(Locale.ROOT));
    }

    private Joined tables() {
        Joined all = joined();
        while (accept(",")) {
            all = all.and(joined());
        }
        return all;
    }

    private Joined joined() {
        deeper();
        Joined left = table();
        while (true) {
            if (accept("cross", "join")) {
                left = left.and(table());
                continue;
            }
            String kind = is("left") || is("right") || is("full") ? plainWord() : "inner";
            accept(kind.equals("inner") ? "inner" : "outer");
            if (!accept("join")) {
                higher();
                return left;
            }
            Joined right = table();
            Term condition = condition(kind);
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
        if (accept("on")) {
            return expression();
        }
        if (accept("using")) {
            List<Term> equal = names().parts().stream().map(column -> Term.operator("=", column, column)).toList();
            return new Term(Kind.OPERATOR, "and", equal);
        }
        if (!kind.equals("inner")) {
            throw new GivenUp();
        }
        return Term.of(Kind.WORD, "true");
    }

    private Joined table() {
        accept("lateral");
        if (accept("(")) {
            if (is("select") || is("with") || is("values")) {
                Term query = query();
                expect(")");
                return new Joined(List.of(Term.operator("derived", query, columns(alias()))), List.of());
            }
            Joined inside = tables();
            expect(")");
            return inside;
        }
        int before = at;
        String name = name();
        while (accept(".")) {
            name = name();
        }
        if (is("(")) {
            at = before;
            Term rows = expression();
            accept("with", "ordinality");
            return new Joined(List.of(Term.operator("derived", rows, columns(alias()))), List.of());
        }
        return new Joined(List.of(new Term(Kind.NAME, name.toLowerCase(Locale.ROOT), alias().stream().toList())),
                List.of());
    }

    private static Term columns(Optional<Term> alias) {
        return alias.filter(name -> !name.parts().isEmpty()).map(name -> name.parts().getFirst()).orElse(NONE);
    }

    /** The name that a table has in a query, with those of its columns where they are listed. */
    private Optional<Term> alias() {
        boolean named = accept("as") || !atEnd() && tokens.get(at).isName() && !clause();
        if (!named) {
            return Optional.empty();
        }
        String name = name().toLowerCase(Locale.ROOT);
        return Optional.of(new Term(Kind.NAME, name, is("(") ? List.of(names()) : List.of()));
    }
}
