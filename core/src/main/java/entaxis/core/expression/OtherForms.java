package entaxis.core.expression;

import entaxis.core.expression.Term.Kind;
import entaxis.core.token.Token;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Forms of queries that engines have in other words in their catalogs, or that only some of them take; read where it
 * matters what a query reads, and not whether it says the same as another one. Each reads nothing where it does not
 * stand, or is not {@linkplain ExpressionCursor#isReworded accepted}.
 */
final class OtherForms {
    private static final Set<String> BEGINNINGS =
            Set.of("outer", "start", "connect", "qualify", "use", "force", "ignore", "indexed", "not");

    private final ExpressionCursor tokens;

    OtherForms(ExpressionCursor tokens) {
        this.tokens = tokens;
    }

    /** Whether a word begins one of these forms, and is no name. */
    boolean begins() {
        return BEGINNINGS.stream().anyMatch(tokens::isReworded);
    }

    private Term expression() {
        return new ExpressionReader(tokens).expression(0);
    }

    /** How many rows are given, before the first of what is selected (Transact-SQL Reference, TOP). */
    List<Term> top() {
        boolean number = tokens.isAhead(1, "(") || tokens.kind(tokens.at() + 1) == Token.Kind.NUMBER;
        if (!number || !tokens.acceptReworded("top")) {
            return List.of();
        }
        Term count;
        if (tokens.accept("(")) {
            count = expression();
            tokens.expect(")");
        } else {
            count = Term.of(Kind.NUMBER, tokens.lower());
        }
        tokens.accept("percent");
        tokens.accept("with", "ties");
        return List.of(Term.operator("as", count, Term.of(Kind.LIST, "")));
    }

    /** Whether tables are joined here by words of one engine (Transact-SQL Reference, FROM; MySQL manual, JOIN). */
    boolean joins() {
        boolean apply = (tokens.isReworded("cross") || tokens.isReworded("outer")) && tokens.isAhead(1, "apply");
        if (apply) {
            tokens.advance(2);
        }
        return apply;
    }

    /** The word for a table without its heirs (PostgreSQL manual, SELECT), before the name. */
    void passOnly() {
        if (tokens.isReworded("only") && tokens.peek(1).isName()) {
            tokens.advance();
        }
    }

    /** A part of the rows (ISO/IEC 9075-2, 7.6, sample clause), or all of a table with its heirs (PostgreSQL). */
    void passSample() {
        tokens.acceptReworded("*");
        if (tokens.acceptReworded("tablesample")) {
            expression();
            if (tokens.accept("repeatable")) {
                expression();
            }
        }
    }

    /** Which index is used, and what is locked (MySQL manual, “Index Hints”; SQLite, “INDEXED BY”; Transact-SQL). */
    void passHints() {
        passSample();
        if (tokens.isReworded("with") && tokens.isAhead(1, "(")) {
            tokens.advance();
            passBrackets();
        }
        while (tokens.isReworded("use") || tokens.isReworded("force") || tokens.isReworded("ignore")) {
            tokens.advance();
            while (!tokens.atEnd() && !tokens.is("(")) {
                tokens.advance();
            }
            passBrackets();
        }
        if (tokens.isReworded("not") && tokens.isAhead(1, "indexed")) {
            tokens.advance(2);
        } else if (tokens.acceptReworded("indexed")) {
            tokens.advance();
            tokens.name();
        }
    }

    private void passBrackets() {
        tokens.expect("(");
        int depth = 1;
        while (depth > 0 && !tokens.atEnd()) {
            depth += tokens.is("(") ? 1 : tokens.is(")") ? -1 : 0;
            tokens.advance();
        }
    }

    /** The conditions by which rows stand above each other (Oracle SQL Language Reference, “Hierarchical Queries”). */
    Optional<Term> hierarchy() {
        List<Term> conditions = new ArrayList<>();
        while (tokens.isReworded("start") || tokens.isReworded("connect")) {
            tokens.advance(2);
            tokens.accept("nocycle");
            conditions.add(expression());
        }
        return conditions.isEmpty() ? Optional.empty() : Optional.of(new Term(Kind.OPERATOR, "and", conditions));
    }

    /** Several groupings at once (ISO/IEC 9075-2, 7.9); nothing if rows are grouped in one way. */
    Optional<List<Term>> groups() {
        tokens.acceptReworded("distinct");
        if (!tokens.acceptReworded("grouping")) {
            return Optional.empty();
        }
        tokens.expect("sets");
        tokens.expect("(");
        List<Term> sets = new ArrayList<>();
        do {
            if (tokens.is("(") && tokens.isAhead(1, ")")) {
                tokens.advance(2);
            } else {
                sets.add(expression());
            }
        } while (tokens.accept(","));
        tokens.expect(")");
        return Optional.of(sets);
    }

    /** What stands behind the condition of groups: windows (ISO/IEC 9075-2, 7.15) and conditions on these. */
    Term behindGroups(Term having) {
        List<Term> parts = new ArrayList<>(List.of(having));
        if (tokens.acceptReworded("window")) {
            do {
                tokens.name();
                tokens.expect("as");
                parts.add(new WindowReader(tokens).defined());
            } while (tokens.accept(","));
        }
        if (tokens.acceptReworded("qualify")) {
            parts.add(expression());
        }
        return parts.size() == 1 ? having : new Term(Kind.LIST, "having", parts);
    }
}
