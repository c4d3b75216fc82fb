package entaxis.core.expression;

import entaxis.core.expression.Term.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * Whether two queries say the same, whatever way they are spelled: as an engine keeps a view in its catalog, and as it
 * was asked for.
 */
public final class CanonicalQuery {
    private static final Set<String> UNORDERED = Set.of("and", "or", "tables", "group");

    private CanonicalQuery() { }

    /**
     * Whether two statements that make a view, in ISO quotes, make the same one. None if either cannot be read. What a
     * star stands for is not known here, and a cast that stands on one side only says nothing. Linear but for what
     * {@link PlainQuery} takes.
     */
    public static Optional<Boolean> sameView(String one, String other) {
        Optional<Term> first = QueryReader.view(one).map(PlainQuery::of);
        Optional<Term> second = QueryReader.view(other).map(PlainQuery::of);
        if (first.isEmpty() || second.isEmpty()) {
            return Optional.empty();
        }
        boolean all = all(PlainQuery.items(first.get().parts().getLast()))
                || all(PlainQuery.items(second.get().parts().getLast()));
        return Optional.of(first.get().word().equals(second.get().word())
                && (all || sameNames(columns(first.get()), columns(second.get())))
                && same(first.get().parts().getLast(), second.get().parts().getLast()));
    }

    private static List<String> columns(Term view) {
        return PlainQuery.columns(view.parts().getFirst().parts(), view.parts().getLast());
    }

    /** Whether a star stands among what is selected: engines keep the columns that it stood for. */
    private static boolean all(List<Term> items) {
        return items.stream().map(item -> item.parts().getFirst())
                .map(value -> value.isOperator("field") ? value.parts().getLast() : value)
                .anyMatch(value -> value.kind() == Kind.NAME && value.word().equals("*"));
    }

    /** A column that has no name in one of them gets it from the engine. */
    private static boolean sameNames(List<String> one, List<String> other) {
        return one.size() == other.size() && IntStream.range(0, one.size())
                .allMatch(i -> one.get(i).isEmpty() || other.get(i).isEmpty() || one.get(i).equals(other.get(i)));
    }

    /**
     * Whether two plain trees are the same: a table that is named before a column on one side only says nothing, nor
     * does the name of a selected column.
     */
    static boolean same(Term one, Term other) {
        if (one.kind() == Kind.NAME && other.kind() == Kind.NAME) {
            return one.word().equals(other.word()) && (one.parts().isEmpty() || other.parts().isEmpty()
                    || one.parts().getFirst().word().equals(other.parts().getFirst().word()));
        }
        if (one.isOperator("as") && other.isOperator("as")) {
            return same(one.parts().getFirst(), other.parts().getFirst());
        }
        if (one.kind() != other.kind() && (one.kind() == Kind.CAST || other.kind() == Kind.CAST)) {
            return same(uncast(one), uncast(other));
        }
        boolean word = one.kind() == Kind.WORD && other.kind() == Kind.NAME
                || one.kind() == Kind.NAME && other.kind() == Kind.WORD;
        if (word || one.kind() != other.kind()) {
            return word && one.word().equals(other.word()) || truth(one, other) || truth(other, one);
        }
        boolean operators = one.kind() == Kind.OPERATOR && other.kind() == Kind.OPERATOR && one.parts().size() == 2
                && other.parts().size() == 2;
        if (operators && other.word().equals(CanonicalForm.MIRRORED.get(one.word()))
                && same(one.parts().getFirst(), other.parts().getLast())
                && same(one.parts().getLast(), other.parts().getFirst())) {
            return true;
        }
        if (one.word().equals("items") && (all(one.parts()) || all(other.parts()))) {
            return true;
        }
        if (one.isOperator("derived") && other.isOperator("derived")
                && (one.parts().getLast().parts().isEmpty() || other.parts().getLast().parts().isEmpty())) {
            return same(one.parts().getFirst(), other.parts().getFirst());
        }
        boolean starred = one.word().equals("sorted") && other.word().equals("sorted")
                && (all(PlainQuery.items(one)) || all(PlainQuery.items(other)));
        if (starred) {
            return same(one.parts().getFirst(), other.parts().getFirst())
                    && sameOrder(one.parts().get(1).parts(), other.parts().get(1).parts())
                    && same(one.parts().getLast(), other.parts().getLast());
        }
        boolean alike = one.word().equals(other.word()) && one.parts().size() == other.parts().size();
        return alike && UNORDERED.contains(one.word()) ? sameInAnyOrder(one.parts(), other.parts()) : alike
                && IntStream.range(0, one.parts().size()).allMatch(i -> same(one.parts().get(i), other.parts().get(i)));
    }

    /** MySQL manual, “Boolean Literals”: a value is true where it is not 0. */
    private static boolean truth(Term compared, Term value) {
        return compared.isOperator("<>") && compared.parts().getLast().equals(Term.of(Kind.NUMBER, "0"))
                && same(compared.parts().getFirst(), value);
    }

    /** Engines add casts, and leave out those that change nothing. */
    private static Term uncast(Term term) {
        return term.kind() == Kind.CAST ? uncast(term.parts().getFirst()) : term;
    }

    /**
     * What is sorted by is told by its place, which is not known where a star stands for the columns: there only the
     * direction counts.
     */
    private static boolean sameOrder(List<Term> ones, List<Term> others) {
        return ones.size() == others.size()
                && IntStream.range(0, ones.size()).allMatch(i -> ones.get(i).word().equals(others.get(i).word())
                && (same(ones.get(i), others.get(i)) || placed(ones.get(i)) != placed(others.get(i))));
    }

    private static boolean placed(Term sorted) {
        return sorted.parts().getFirst().word().startsWith("#");
    }

    private static boolean sameInAnyOrder(List<Term> ones, List<Term> others) {
        List<Term> left = new ArrayList<>(others);
        return ones.stream().allMatch(
                one -> left.stream().filter(other -> same(one, other)).findFirst().map(left::remove).orElse(false));
    }
}
