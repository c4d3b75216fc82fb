package entaxis.core.syntax;

import entaxis.core.schema.Deferral;
import entaxis.core.token.Keyword;
import entaxis.core.token.Token.Kind;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Reads what may stand behind a constraint or an index and says nothing of what it holds, and when a constraint is
 * checked.
 */
final class ClauseEnds {
    /** Whether a column's clauses are being read: a comment among them is the column's. */
    private boolean inColumn;
    private final StatementCursor tokens;
    private final ScriptSyntax syntax;
    private final NameParser names;

    ClauseEnds(StatementCursor tokens, ScriptSyntax syntax, NameParser names) {
        this.tokens = tokens;
        this.syntax = syntax;
        this.names = names;
    }

    boolean onConflict() {
        if (!tokens.accept(Keyword.ON, Keyword.CONFLICT)) {
            return false;
        }
        tokens.advance();
        return true;
    }

    boolean storagePlace() {
        tokens.advance(2);
        if (tokens.sign('(')) {
            tokens.skipRound();
        }
        return true;
    }

    /** When a constraint is checked, if that is said here. */
    Optional<Deferral> deferral() {
        Optional<Deferral> said = Optional.empty();
        boolean more = true;
        while (more) {
            if (tokens.accept(Keyword.NOT, Keyword.DEFERRABLE)) {
                said = Optional.of(Deferral.NOT_DEFERRABLE);
            } else if (tokens.accept(Keyword.DEFERRABLE)) {
                said = said.or(() -> Optional.of(Deferral.INITIALLY_IMMEDIATE));
            } else if (tokens.accept(Keyword.INITIALLY, Keyword.DEFERRED)) {
                said = Optional.of(Deferral.INITIALLY_DEFERRED);
            } else if (tokens.accept(Keyword.INITIALLY, Keyword.IMMEDIATE)) {
                said = said.or(() -> Optional.of(Deferral.INITIALLY_IMMEDIATE));
            } else {
                more = false;
            }
        }
        return said;
    }

    // what may follow a constraint

    void constraintEnd() {
        boolean more = true;
        while (more) {
            more = tokens.accept(Keyword.NOT, Keyword.DEFERRABLE) || tokens.accept(Keyword.DEFERRABLE) || initially()
                    || otherEnd();
        }
    }

    /** Whether a column's clauses are being read: a comment among them is the column's. */
    void inColumn(boolean now) {
        inColumn = now;
    }

    private boolean initially() {
        return tokens.accept(Keyword.INITIALLY, Keyword.DEFERRED)
                || tokens.accept(Keyword.INITIALLY, Keyword.IMMEDIATE);
    }

    boolean otherEnd() {
        if (tokens.accept(Keyword.NOT, Keyword.VALID) || tokens.accept(Keyword.NOT, Keyword.ENFORCED)
                || tokens.accept(Keyword.ENFORCED) || tokens.accept(Keyword.ENABLE) || tokens.accept(Keyword.DISABLE)
                || tokens.accept(Keyword.VALIDATE) || tokens.accept(Keyword.NOVALIDATE) || tokens.accept(Keyword.RELY)
                || tokens.accept(Keyword.NORELY) || tokens.accept(Keyword.NO, Keyword.INHERIT)
                || tokens.accept(Keyword.VISIBLE) || tokens.accept(Keyword.INVISIBLE)
                || tokens.accept(Keyword.NOCHECK)) {
            return true;
        }
        if ((tokens.accept("IGNORED")
                || tokens.is(Keyword.NOT) && tokens.is(tokens.at() + 1, "IGNORED"))) {
            tokens.advance(tokens.is(Keyword.NOT) ? 2 : 0);
            return true;
        }
        if (tokens.is(Keyword.NOT, Keyword.FOR)) {
            tokens.advance(3);
            return true;
        }
        if (tokens.is(Keyword.EXCEPTION) || tokens.is("EXCEPTIONS")) {
            tokens.advance(2);
            names.qualified();
            return true;
        }
        if (tokens.is(Keyword.USING)) {
            return usingIndex();
        }
        if (tokens.is(Keyword.ON, Keyword.CONFLICT)) {
            return onConflict();
        }
        if (syntax.takes(SyntaxRule.STORAGE_PLACES) && tokens.is(Keyword.ON)
                && tokens.ahead(1) != Keyword.DELETE
                && tokens.ahead(1) != Keyword.UPDATE && tokens.isName(tokens.at() + 1)) {
            return storagePlace();
        }
        if (tokens.is(Keyword.WITH) && tokens.sign(tokens.at() + 1, '(')) {
            tokens.advance();
            tokens.skipRound();
            return true;
        }
        if (tokens.accept(Keyword.WITH)) {
            tokens.advance(tokens.sign(tokens.at() + 1, '=') ? 3 : 2);
            return true;
        }
        if (tokens.accept(Keyword.INCLUDE)) {
            tokens.skipRound();
            return true;
        }
        if (syntax.takes(SyntaxRule.INDEX_COMMENTS) && !inColumn && tokens.is(Keyword.COMMENT)) {
            tokens.advance(tokens.sign(tokens.at() + 1, '=') ? 3 : 2);
            return true;
        }
        if (tokens.is("KEY_BLOCK_SIZE")) {
            tokens.advance(tokens.sign(tokens.at() + 1, '=') ? 3 : 2);
            return true;
        }
        return false;
    }

    boolean usingIndex() {
        tokens.advance();
        if (!tokens.accept(Keyword.INDEX)) {
            tokens.advance();
            return true;
        }
        if (tokens.sign('(')) {
            tokens.skipRound();
            return true;
        }
        if (syntax.takes(SyntaxRule.NAMED_INDEX_BEHIND_USING) && tokens.kind() == Kind.WORD
                && tokens.word() == Keyword.NONE && !indexProperty()) {
            names.qualified();
        }
        boolean more = true;
        while (more) {
            if (tokens.accept(Keyword.TABLESPACE)) {
                tokens.name();
            } else if (tokens.is(Keyword.STORAGE)) {
                tokens.advance();
                tokens.skipRound();
            } else if (tokens.is("PCTFREE") || tokens.is("INITRANS")
                    || tokens.is("MAXTRANS")) {
                tokens.advance(2);
            } else {
                more = tokens.accept(Keyword.LOGGING) || tokens.accept(Keyword.NOLOGGING)
                        || tokens.accept(Keyword.LOCAL) || tokens.accept("NOPARALLEL")
                        || tokens.accept("REVERSE");
            }
        }
        return true;
    }

    /**
     * Whether one of the properties of an index stands here, rather than its name (Oracle Database SQL Language
     * Reference, using_index_clause).
     */
    private boolean indexProperty() {
        return Stream.of("PCTFREE", "INITRANS", "MAXTRANS", "NOPARALLEL", "PARALLEL", "REVERSE", "COMPUTE", "SORT",
                "NOSORT", "ONLINE", "EXCEPTIONS").anyMatch(word -> tokens.is(word));
    }

    void clustering() {
        if (!tokens.accept(Keyword.CLUSTERED)) {
            tokens.accept(Keyword.NONCLUSTERED);
        }
        if (tokens.is(Keyword.HASH) && syntax.takes(SyntaxRule.HASH_KEYS)) {
            tokens.advance();
        }
    }

    void nullsDistinct() {
        if (tokens.accept(Keyword.NULLS)) {
            tokens.accept(Keyword.NOT);
            tokens.advance();
        }
    }

    void notForReplication() {
        if (tokens.is(Keyword.NOT, Keyword.FOR)) {
            tokens.advance(3);
        }
    }

    void indexMethod() {
        if (syntax.takes(SyntaxRule.METHODS_BEHIND_KEYS) && tokens.accept(Keyword.USING)) {
            tokens.advance();
        }
    }
}
