package entaxis.core.syntax;

import entaxis.core.schema.Deferral;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.statement.Reference;
import entaxis.core.token.Keyword;
import java.util.List;

/** Reads what stands behind REFERENCES (ISO/IEC 9075-2, 11.8). */
final class ReferenceParser {
    private final StatementCursor tokens;
    private final NameParser names;
    private final ClauseEnds clauseEnds;

    ReferenceParser(StatementCursor tokens, NameParser names, ClauseEnds clauseEnds) {
        this.tokens = tokens;
        this.names = names;
        this.clauseEnds = clauseEnds;
    }

    /** Reads a reference from the name of its table on. */
    Reference reference() {
        QualifiedName table = names.qualified();
        List<String> columns = tokens.sign('(') ? tokens.names() : List.of();
        ReferentialAction onDelete = ReferentialAction.NO_ACTION;
        ReferentialAction onUpdate = ReferentialAction.NO_ACTION;
        Deferral deferral = Deferral.NOT_DEFERRABLE;
        boolean more = true;
        while (more) {
            if (tokens.accept(Keyword.ON, Keyword.DELETE)) {
                onDelete = action();
            } else if (tokens.accept(Keyword.ON, Keyword.UPDATE)) {
                onUpdate = action();
            } else if (tokens.accept(Keyword.MATCH)) {
                tokens.advance();
            } else if (tokens.accept(Keyword.NOT, Keyword.DEFERRABLE)) {
                tokens.accept(Keyword.INITIALLY, Keyword.IMMEDIATE);
            } else if (tokens.accept(Keyword.DEFERRABLE)) {
                deferral = deferral == Deferral.INITIALLY_DEFERRED ? deferral : Deferral.INITIALLY_IMMEDIATE;
            } else if (tokens.accept(Keyword.INITIALLY)) {
                deferral = tokens.is(Keyword.DEFERRED) ? Deferral.INITIALLY_DEFERRED : deferral;
                tokens.advance();
            } else {
                more = clauseEnds.otherEnd();
            }
        }
        return new Reference(table, columns, onDelete, onUpdate, deferral);
    }

    private ReferentialAction action() {
        if (tokens.accept(Keyword.CASCADE)) {
            return ReferentialAction.CASCADE;
        }
        if (tokens.accept(Keyword.RESTRICT)) {
            return ReferentialAction.RESTRICT;
        }
        if (tokens.accept(Keyword.NO)) {
            if (!tokens.accept("ACTION")) {
                throw tokens.unreadable("ACTION is expected behind NO");
            }
            return ReferentialAction.NO_ACTION;
        }
        if (tokens.accept(Keyword.SET)) {
            boolean toNull = tokens.accept(Keyword.NULL);
            if (!toNull) {
                tokens.expect(Keyword.DEFAULT);
            }
            if (tokens.sign('(')) {
                tokens.skipRound();
            }
            return toNull ? ReferentialAction.SET_NULL : ReferentialAction.SET_DEFAULT;
        }
        throw tokens.unreadable("CASCADE, RESTRICT, SET NULL, SET DEFAULT or NO ACTION is expected here");
    }
}
