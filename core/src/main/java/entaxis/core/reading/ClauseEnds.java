package entaxis.core.reading;

import entaxis.core.schema.Deferral;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Reads what may stand behind a constraint or an index and says nothing of what it holds, and when a constraint is
 * checked.
 */
final class ClauseEnds {
    /** Whether a column's clauses are being read: a comment among them is the column's. */
    private boolean inColumn;
    private final TokenCursor tokens;
    private final SchemaBuilder builder;
    private final NameParser names;

    ClauseEnds(TokenCursor tokens, SchemaBuilder builder, NameParser names) {
        this.tokens = tokens;
        this.builder = builder;
        this.names = names;
    }

    boolean onConflict() {
        if (!tokens.accept(Keyword.ON, Keyword.CONFLICT)) {
            return false;
        }
        tokens.at++;
        return true;
    }

    boolean storagePlace() {
        tokens.at += 2;
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
        if ((tokens.acceptReading("IGNORED")
                || tokens.is(Keyword.NOT) && tokens.reads(tokens.at + 1, "IGNORED"))) {
            tokens.at += tokens.is(Keyword.NOT) ? 2 : 0;
            return true;
        }
        if (tokens.is(Keyword.NOT, Keyword.FOR)) {
            tokens.at += 3;
            return true;
        }
        if (tokens.is(Keyword.EXCEPTION) || tokens.reads(tokens.at, "EXCEPTIONS")) {
            tokens.at += 2;
            names.qualified();
            return true;
        }
        if (tokens.is(Keyword.USING)) {
            return usingIndex();
        }
        if (tokens.is(Keyword.ON, Keyword.CONFLICT)) {
            return onConflict();
        }
        if (builder.takes(SyntaxRule.STORAGE_PLACES) && tokens.is(Keyword.ON)
                && tokens.word(tokens.at + 1) != Keyword.DELETE
                && tokens.word(tokens.at + 1) != Keyword.UPDATE && tokens.isName(tokens.at + 1)) {
            return storagePlace();
        }
        if (tokens.is(Keyword.WITH) && tokens.sign(tokens.at + 1, '(')) {
            tokens.at++;
            tokens.skipRound();
            return true;
        }
        if (tokens.accept(Keyword.WITH)) {
            tokens.at += tokens.sign(tokens.at + 1, '=') ? 3 : 2;
            return true;
        }
        if (tokens.accept(Keyword.INCLUDE)) {
            tokens.skipRound();
            return true;
        }
        if (builder.takes(SyntaxRule.INDEX_COMMENTS) && !inColumn && tokens.is(Keyword.COMMENT)) {
            tokens.at += tokens.sign(tokens.at + 1, '=') ? 3 : 2;
            return true;
        }
        if (tokens.reads(tokens.at, "KEY_BLOCK_SIZE")) {
            tokens.at += tokens.sign(tokens.at + 1, '=') ? 3 : 2;
            return true;
        }
        return false;
    }

    boolean usingIndex() {
        tokens.at++;
        if (!tokens.accept(Keyword.INDEX)) {
            tokens.at++;
            return true;
        }
        if (tokens.sign('(')) {
            tokens.skipRound();
            return true;
        }
        if (builder.takes(SyntaxRule.NAMED_INDEX_BEHIND_USING) && tokens.kind(tokens.at) == TokenizedStatement.WORD
                && tokens.word() == Keyword.NONE && !indexProperty()) {
            names.qualified();
        }
        boolean more = true;
        while (more) {
            if (tokens.accept(Keyword.TABLESPACE)) {
                tokens.name();
            } else if (tokens.is(Keyword.STORAGE)) {
                tokens.at++;
                tokens.skipRound();
            } else if (tokens.reads(tokens.at, "PCTFREE") || tokens.reads(tokens.at, "INITRANS")
                    || tokens.reads(tokens.at, "MAXTRANS")) {
                tokens.at += 2;
            } else {
                more = tokens.accept(Keyword.LOGGING) || tokens.accept(Keyword.NOLOGGING)
                        || tokens.accept(Keyword.LOCAL) || tokens.acceptReading("NOPARALLEL")
                        || tokens.acceptReading("REVERSE");
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
                "NOSORT", "ONLINE", "EXCEPTIONS").anyMatch(word -> tokens.reads(tokens.at, word));
    }

    void clustering() {
        if (!tokens.accept(Keyword.CLUSTERED)) {
            tokens.accept(Keyword.NONCLUSTERED);
        }
        if (tokens.is(Keyword.HASH) && builder.takes(SyntaxRule.HASH_KEYS)) {
            tokens.at++;
        }
    }

    void nullsDistinct() {
        if (tokens.accept(Keyword.NULLS)) {
            tokens.accept(Keyword.NOT);
            tokens.at++;
        }
    }

    void notForReplication() {
        if (tokens.is(Keyword.NOT, Keyword.FOR)) {
            tokens.at += 3;
        }
    }

    void indexMethod() {
        if (builder.takes(SyntaxRule.METHODS_BEHIND_KEYS) && tokens.accept(Keyword.USING)) {
            tokens.at++;
        }
    }
}
