package entaxis.core.syntax;

import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.QualifiedName;
import entaxis.core.statement.CommentOn;
import entaxis.core.statement.PlacedName;
import entaxis.core.statement.ProgramName;
import entaxis.core.statement.Statement;
import entaxis.core.token.Keyword;
import java.util.ArrayList;
import java.util.List;

/** Reads COMMENT ON, which ISO has not (PostgreSQL manual; Oracle Database SQL Language Reference). */
final class CommentParser {
    private final StatementCursor tokens;
    private final NameParser names;
    private final ProgramParser programs;
    private final StatementEnd statementEnd;

    CommentParser(StatementCursor tokens, NameParser names, ProgramParser programs, StatementEnd statementEnd) {
        this.tokens = tokens;
        this.names = names;
        this.programs = programs;
        this.statementEnd = statementEnd;
    }

    /** Reads COMMENT ON from its first word on. */
    Statement comment(int from) {
        tokens.advance();
        if (!tokens.accept(Keyword.ON)) {
            throw tokens.unreadable("ON is expected behind COMMENT");
        }
        Keyword kind = tokens.word();
        tokens.advance();
        return switch (kind) {
            case TABLE -> on(new CommentOn.OnTable(names.placed()));
            case COLUMN -> on(column());
            case DOMAIN, TYPE -> on(new CommentOn.OnType(names.qualified()));
            case SEQUENCE -> on(new CommentOn.OnSequence(names.qualified()));
            case VIEW, FUNCTION, PROCEDURE, TRIGGER, RULE, MATERIALIZED -> program(from, kind);
            default -> statementEnd.skip(from, "comment on something else");
        };
    }

    private CommentOn on(CommentOn.Subject subject) {
        tokens.expect(Keyword.IS);
        return new CommentOn(subject, tokens.accept(Keyword.NULL) ? "" : tokens.string());
    }

    private CommentOn.Subject column() {
        int at = tokens.at();
        List<String> parts = new ArrayList<>(3);
        do {
            parts.add(tokens.name());
        } while (tokens.acceptSign('.'));
        int last = parts.size() - 1;
        if (last < 1) {
            throw tokens.unreadable(at, "a table and its column are expected here");
        }
        QualifiedName table = new QualifiedName(last > 1 ? parts.get(last - 2) : "", parts.get(last - 1));
        return new CommentOn.OnColumn(new PlacedName(table, tokens.offset(at)), parts.get(last));
    }

    private Statement program(int from, Keyword kind) {
        if (kind == Keyword.MATERIALIZED) {
            tokens.accept(Keyword.VIEW);
        }
        ProgramKind program = ProgramParser.kind(kind);
        ProgramName name = programs.named(program);
        return tokens.is(Keyword.IS) ? on(new CommentOn.OnProgram(program, name))
                : statementEnd.skip(from, "comment on something else");
    }
}
