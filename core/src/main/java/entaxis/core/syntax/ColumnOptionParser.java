package entaxis.core.syntax;

import entaxis.core.token.Keyword;
import java.util.List;

/** Passes clauses of columns that say nothing about what the column holds (the engines' manuals, CREATE TABLE). */
final class ColumnOptionParser {
    private static final List<String> SINGLE_WORDS =
            List.of("ASCII", "UNICODE", "FILESTREAM", "HIDDEN", "SORT", "ENCRYPT", "NOSORT");
    private static final List<String> WITH_BRACKETS = List.of("MASKED", "ENCRYPTED", "ENGINE_ATTRIBUTE",
            "SECONDARY_ENGINE_ATTRIBUTE", "REF_SYSTEM_ID");
    private final StatementCursor tokens;
    private final ClauseEnds clauseEnds;

    ColumnOptionParser(StatementCursor tokens, ClauseEnds clauseEnds) {
        this.tokens = tokens;
        this.clauseEnds = clauseEnds;
    }

    /** Passes such a clause; false where none stands here. */
    boolean passed() {
        switch (tokens.word()) {
            case DEFERRABLE, INITIALLY, ENABLE, DISABLE, VALIDATE, NOVALIDATE, RELY, NORELY, ENFORCED ->
                    clauseEnds.constraintEnd();
            case BINARY, ROWGUIDCOL, SPARSE, VISIBLE, INVISIBLE -> tokens.advance();
            case STORAGE, COMPRESSION, COLUMN_FORMAT, SRID, SELECTIVITY -> tokens.advance(2);
            case USING -> clauseEnds.usingIndex();
            case WITH -> {
                return with();
            }
            case WITHOUT -> tokens.advance(3);
            case OPTIONS -> {
                tokens.advance();
                tokens.skipRound();
            }
            default -> {
                return rare();
            }
        }
        return true;
    }

    private boolean with() {
        tokens.advance();
        if (tokens.sign('(')) {
            tokens.skipRound();
            return true;
        }
        if (tokens.accept(Keyword.VALUES)) {
            return true;
        }
        if (tokens.accept("SYSTEM") || tokens.accept("PARSER")) {
            tokens.advance();
            return true;
        }
        return false;
    }

    private boolean rare() {
        if (tokens.accept("COMPRESSED")) {
            if (tokens.acceptSign('=')) {
                tokens.advance();
            }
            return true;
        }
        if (SINGLE_WORDS.stream().anyMatch(word -> tokens.accept(word))) {
            return true;
        }
        if (WITH_BRACKETS.stream().noneMatch(word -> tokens.is(word))) {
            return false;
        }
        boolean brackets = false;
        while (!brackets && !tokens.atEnd() && !tokens.sign(',') && !tokens.sign(')')) {
            brackets = tokens.sign('(');
            tokens.skipToken();
        }
        return true;
    }
}
