package entaxis.core.sql;

import entaxis.core.expression.Expression;
import entaxis.core.expression.Term;
import entaxis.core.token.SqlText;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/** Expressions that every engine has, each in its own words. */
public final class Functions {
    /** What the tree of an expression calls NEXT VALUE FOR. */
    private static final String NEXT_VALUE = "next value for";
    private static final int NEXT_VALUE_WORDS = 3;
    /** Words for the present moment, which may have the number of its digits behind them. */
    private static final Set<String> MOMENTS =
            Set.of("current_timestamp", "localtimestamp", "systimestamp", "sysdate");
    private static final Set<String> MOMENT_CALLS = Set.of("now", "getdate", "sysdatetime", "sysdatetimeoffset",
            "transaction_timestamp", "statement_timestamp");
    private static final Set<String> UUIDS = Set.of("gen_random_uuid", "random_uuid", "uuid", "newid",
            "newsequentialid", "sys_guid", "uuid_generate_v4");

    private Functions() { }

    /** What an expression gives. */
    public enum Kind {
        /** The time at which the statement or transaction began. */
        NOW,
        /** A new random identifier. */
        RANDOM_UUID,
        /** The next number of a sequence (ISO/IEC 9075-2, 6.14). */
        NEXT_VALUE, OTHER
    }

    /** What an expression is, if it is one of those. */
    public static Kind kind(Expression expression) {
        return expression.tree().map(Functions::kind).orElse(Kind.OTHER);
    }

    private static Kind kind(Term term) {
        if (term.kind() == Term.Kind.WORD) {
            return MOMENTS.contains(term.word()) ? Kind.NOW : Kind.OTHER;
        }
        if (term.kind() != Term.Kind.CALL) {
            return Kind.OTHER;
        }
        // how many digits of its seconds are wanted does not matter
        boolean digits = term.parts().size() == 1 && term.first().kind() == Term.Kind.NUMBER;
        return term.word().equals(NEXT_VALUE) ? Kind.NEXT_VALUE
                : MOMENTS.contains(term.word()) && (digits || term.parts().isEmpty())
                        || MOMENT_CALLS.contains(term.word()) && term.parts().isEmpty() ? Kind.NOW
                : UUIDS.contains(term.word()) && term.parts().isEmpty() ? Kind.RANDOM_UUID : Kind.OTHER;
    }

    /** The sequence behind NEXT VALUE FOR, as SQL names it. */
    static String sequence(Expression nextValue) {
        SqlText text = SqlText.of(nextValue.withoutBrackets().text());
        return text.from(NEXT_VALUE_WORDS);
    }

    /**
     * The names of the sequence that an expression draws from, by NEXT VALUE FOR or by a function of an engine, from
     * its schema on; empty if it draws from none.
     */
    public static List<String> drawnFrom(Expression expression) {
        return expression.tree().filter(term -> term.kind() == Term.Kind.CALL).map(term -> {
            boolean call = term.isCall("nextval") && term.parts().size() == 1
                    && term.first().kind() == Term.Kind.NAME;
            return term.isCall(NEXT_VALUE) ? term.parts().stream().map(Term::word).toList()
                    : call ? Stream.concat(term.first().parts().stream(), Stream.of(term.first())).map(Term::word)
                            .toList()
                    : List.<String>of();
        }).orElse(List.of());
    }
}
