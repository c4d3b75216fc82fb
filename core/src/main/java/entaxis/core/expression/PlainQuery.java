package entaxis.core.expression;

import entaxis.core.expression.Term.Kind;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * A query in which what engines are free to write in several ways is written in one: names of tables stand for their
 * aliases, what is sorted and grouped by is told by its place among what is selected, conditions and tables stand in
 * one order. Quadratic in what one query selects and sorts by, otherwise n log n.
 */
final class PlainQuery {
    private static final Comparator<Term> BY_TEXT = Comparator.comparing(Term::written);

    private PlainQuery() { }

    /** The plain tree of a view that was read. */
    static Term of(Term view) {
        return query(CanonicalForm.plain(view), Map.of());
    }

    private static Term query(Term term, Map<String, String> outer) {
        if (term.kind() == Kind.NAME) {
            return qualified(term, outer);
        }
        if (term.kind() == Kind.CALL && term.word().equals("select")) {
            return select(term, outer);
        }
        if (term.kind() == Kind.CALL && term.word().equals("sorted")) {
            Map<String, String> inside =
                    term.parts().getFirst().word().equals("select") ? scope(term.parts().getFirst(), outer) : outer;
            List<Term> parts = List.of(query(term.parts().getFirst(), outer), query(term.parts().get(1), inside),
                    query(term.parts().getLast(), outer));
            return term.with(
                    List.of(parts.getFirst(), ordered(parts.get(1), items(parts.getFirst())), limits(parts.getLast())));
        }
        List<Term> parts = term.parts().stream().map(part -> query(part, outer)).toList();
        if (term.isOperator("named")) {
            List<Term> columns = columns(parts.get(1).parts(), parts.getLast()).stream()
                    .map(name -> Term.of(Kind.NAME, name)).toList();
            return term.with(List.of(parts.getFirst(), parts.get(1).with(columns), parts.getLast()));
        }
        return condition(term.with(parts));
    }

    private static Term condition(Term term) {
        if (term.isOperator("and") || term.isOperator("or")) {
            return sorted(term);
        }
        if (term.isOperator("not") && term.parts().getFirst().isOperator("or")
                && term.parts().getFirst().parts().stream().allMatch(part -> part.isOperator("="))) {
            return sorted(new Term(Kind.OPERATOR, "and", term.parts().getFirst().parts().stream()
                    .map(part -> new Term(Kind.OPERATOR, "<>", part.parts())).toList()));
        }
        boolean rows = (term.isOperator("=") || term.isOperator("<>"))
                && term.parts().stream().allMatch(part -> part.kind() == Kind.LIST)
                && term.parts().getFirst().parts().size() == term.parts().getLast().parts().size();
        if (rows) {
            List<Term> values = term.parts().getFirst().parts();
            return sorted(new Term(Kind.OPERATOR, term.isOperator("=") ? "and" : "or", IntStream.range(0, values.size())
                    .mapToObj(i -> Term.operator(term.word(), values.get(i), term.parts().getLast().parts().get(i)))
                    .toList()));
        }
        if (term.kind() == Kind.CALL && term.word().equals("exists")) {
            return term.with(List.of(contained(term.parts().getFirst())));
        }
        if (!term.isOperator("in")) {
            return term;
        }
        return term.parts().getLast().query()
                ? term.with(List.of(term.parts().getFirst(), contained(term.parts().getLast()))) : alternatives(term);
    }

    private static Term limits(Term limits) {
        return limits.with(limits.parts().stream().sorted(BY_TEXT).toList());
    }

    /** Conditions in one order, each once, without those that always hold. */
    private static Term sorted(Term term) {
        List<Term> parts = term.parts().stream()
                .flatMap(part -> part.isOperator(term.word()) ? part.parts().stream() : Stream.of(part))
                .filter(part -> !(term.isOperator("and") && part.equals(Term.of(Kind.WORD, "true")))).distinct()
                .sorted(BY_TEXT).toList();
        return parts.size() == 1 ? parts.getFirst() : term.with(parts);
    }

    /** One of several values as alternatives, which some engines make of it. */
    private static Term alternatives(Term in) {
        Term value = in.parts().getFirst();
        return sorted(new Term(Kind.OPERATOR, "or",
                in.parts().stream().skip(1).map(item -> Term.operator("=", value, item)).toList()));
    }

    /** A query of which only what it contains matters: not how often, nor in which order. */
    private static Term contained(Term query) {
        if (query.kind() == Kind.CALL && query.word().equals("sorted")
                && query.parts().getLast().parts().stream().allMatch(part -> part.isOperator("limit"))) {
            return contained(query.parts().getFirst());
        }
        boolean once = query.kind() == Kind.CALL && query.word().equals("select")
                && query.parts().getFirst().kind() == Kind.WORD;
        return once
                ? query.with(Stream.concat(Stream.of(Term.of(Kind.LIST, "")), query.parts().stream().skip(1)).toList())
                : query;
    }

    private static Term qualified(Term name, Map<String, String> tables) {
        if (name.parts().isEmpty()) {
            return name;
        }
        String before = name.parts().getFirst().word();
        return Term.of(Kind.NAME, name.word(), Term.of(Kind.NAME, tables.getOrDefault(before, before)));
    }

    /** The tables by the names that they have inside a query. */
    private static Map<String, String> scope(Term select, Map<String, String> outer) {
        Map<String, String> tables = new HashMap<>(outer);
        List<Term> named = tables(select.parts().get(2)).toList();
        Set<String> twice = named.stream().map(Term::word)
                .filter(word -> named.stream().filter(other -> other.word().equals(word)).count() > 1)
                .collect(Collectors.toSet());
        for (Term table : named) {
            String alias = table.parts().isEmpty() ? table.word() : table.parts().getFirst().word();
            tables.put(alias, twice.contains(table.word()) ? alias : table.word());
        }
        return tables;
    }

    private static Term select(Term select, Map<String, String> outer) {
        Map<String, String> tables = scope(select, outer);
        List<Term> items = select.parts().get(1).parts().stream().map(item -> query(item, tables)).toList();
        Term once = query(select.parts().getFirst(), tables);
        Term group = grouped(query(select.parts().get(3), tables), items);
        return select.with(List.of(once, select.parts().get(1).with(items), joined(select.parts().get(2), tables),
                group, query(select.parts().getLast(), tables)));
    }

    /** The tables that a group of joined ones names, at any depth. */
    private static Stream<Term> tables(Term joined) {
        return switch (joined.kind()) {
            case NAME -> Stream.of(joined);
            case CALL -> joined.parts().getFirst().parts().stream().flatMap(PlainQuery::tables);
            case OPERATOR -> joined.word().equals("optional") || joined.word().equals("full join")
                    ? joined.parts().stream().filter(part -> part.kind() == Kind.CALL && part.word().equals("joined"))
                    .flatMap(PlainQuery::tables) : Stream.empty();
            default -> Stream.empty();
        };
    }

    private static Term joined(Term joined, Map<String, String> names) {
        List<Term> tables = joined.parts().getFirst().parts().stream().map(table -> switch (table.kind()) {
            case NAME -> Term.of(Kind.NAME, table.word());
            case OPERATOR -> table.with(table.parts().stream()
                    .map(part -> part.kind() == Kind.CALL && part.word().equals("joined") ? joined(part, names)
                    : query(part, names)).toList());
            default -> query(table, names);
        }).sorted(BY_TEXT).toList();
        return joined.with(List.of(joined.parts().getFirst().with(tables), query(joined.parts().getLast(), names)));
    }

    /** What a query gives, column by column. */
    static List<Term> items(Term query) {
        return query.kind() != Kind.CALL ? List.of() : query.word().equals("select") ? query.parts().get(1).parts()
                : query.parts().isEmpty() ? List.of()
                : items(query.word().equals("with") ? query.parts().getLast() : query.parts().getFirst());
    }

    private static Term ordered(Term order, List<Term> items) {
        return order.with(order.parts().stream().map(part -> part.with(List.of(placed(part.parts().getFirst(), items))))
                .toList());
    }

    private static Term grouped(Term group, List<Term> items) {
        return group.with(group.parts().stream().map(part -> placed(part, items)).sorted(BY_TEXT).toList());
    }

    /** A number, a name or an expression as the place of the selected column that it means. */
    private static Term placed(Term term, List<Term> items) {
        if (term.kind() == Kind.NUMBER) {
            return Term.of(Kind.WORD, "#" + term.word());
        }
        Optional<Integer> named =
                IntStream.range(0, items.size()).filter(i -> means(term, items.get(i))).boxed().findFirst();
        return named.map(place -> Term.of(Kind.WORD, "#" + (place + 1))).orElse(term);
    }

    private static boolean means(Term term, Term item) {
        return CanonicalQuery.same(term, item.parts().getFirst())
                || (term.kind() == Kind.NAME || term.kind() == Kind.WORD) && term.parts().isEmpty()
                        && item.parts().getLast().kind() == Kind.NAME
                        && item.parts().getLast().word().equals(term.word());
    }

    /**
     * The names of the columns that a query gives: as they are listed, else as they follow from it; empty for what has
     * none.
     */
    static List<String> columns(List<Term> listed, Term query) {
        List<Term> items = items(query);
        return IntStream.range(0, items.size())
                .mapToObj(i -> i < listed.size() ? listed.get(i).word() : column(items.get(i))).toList();
    }

    private static String column(Term item) {
        Term alias = item.parts().getLast();
        return alias.kind() == Kind.NAME ? alias.word()
                : item.parts().getFirst().kind() == Kind.NAME ? item.parts().getFirst().word() : "";
    }
}
