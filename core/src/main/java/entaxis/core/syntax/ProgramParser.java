package entaxis.core.syntax;

import entaxis.core.schema.ProgramHead;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.QualifiedName;
import entaxis.core.sql.Dialect;
import entaxis.core.statement.ProgramName;
import entaxis.core.statement.ProgramStatement;
import entaxis.core.statement.Statement;
import entaxis.core.token.Keyword;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reads statements on views, routines and triggers, which are kept as texts. */
final class ProgramParser {
    private final StatementCursor tokens;
    private final ScriptSyntax syntax;
    private final Dialect dialect;
    private final NameParser names;
    private final StatementEnd statementEnd;

    ProgramParser(StatementCursor tokens, ScriptSyntax syntax, NameParser names, StatementEnd statementEnd) {
        this.tokens = tokens;
        this.syntax = syntax;
        this.dialect = Dialect.of(syntax.engine());
        this.names = names;
        this.statementEnd = statementEnd;
    }

    /** Reads CREATE VIEW and the like from the word for the kind on. */
    Statement create(int from, ProgramKind kind) {
        tokens.advance();
        boolean body = tokens.accept(Keyword.BODY);
        tokens.accept(Keyword.CONCURRENTLY);
        boolean onlyIfAbsent = tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        int place = tokens.place();
        QualifiedName name = names.qualified();
        tokens.toEnd();
        String text = tokens.verbatim(from, tokens.limit());
        return new ProgramStatement.CreateProgram(kind, body, name, ProgramHead.of(kind, text, tokens::unquoted), place,
                onlyIfAbsent, text);
    }

    private Optional<String> parameters() {
        return tokens.sign('(') ? Optional.of(tokens.inRound()) : Optional.empty();
    }

    /** Reads what names a program behind the word for its kind, as COMMENT ON and GRANT do. */
    ProgramName named(ProgramKind kind) {
        QualifiedName name = names.qualified();
        boolean routine = kind == ProgramKind.FUNCTION || kind == ProgramKind.PROCEDURE;
        Optional<String> brackets = parameters();
        Optional<QualifiedName> table =
                tokens.accept(Keyword.ON) ? Optional.of(names.qualified()) : Optional.empty();
        return new ProgramName(name, routine ? brackets : Optional.empty(), table);
    }

    /** Reads ALTER of a view, routine or trigger from the second word on. */
    Statement alter(int from) {
        boolean view = tokens.is(Keyword.VIEW);
        if (syntax.takes(SyntaxRule.ALTER_REDEFINES_PROGRAM)) {
            return create(from, view ? ProgramKind.VIEW : tokens.is(Keyword.TRIGGER) ? ProgramKind.TRIGGER
                    : tokens.is(Keyword.FUNCTION) ? ProgramKind.FUNCTION : ProgramKind.PROCEDURE);
        }
        if (tokens.accept(Keyword.MATERIALIZED) || view) {
            tokens.accept(Keyword.VIEW);
            tokens.accept(Keyword.IF, Keyword.EXISTS);
            QualifiedName name = names.qualified();
            if (tokens.accept(Keyword.RENAME, Keyword.TO)) {
                return new ProgramStatement.RenameView(name, tokens.name());
            }
        }
        return statementEnd.skip(from, "change of a view or routine");
    }

    /** Reads DROP of a view, routine or trigger from the second word on. */
    Statement drop(int from) {
        Keyword kind = tokens.word();
        tokens.advance();
        tokens.accept(Keyword.VIEW);
        tokens.accept(Keyword.BODY);
        if (kind == Keyword.EVENT || !tokens.isName(tokens.at())) {
            return statementEnd.skip(from, "event");
        }
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        ProgramKind dropped = kind(kind);
        List<ProgramName> programs = new ArrayList<>(1);
        do {
            programs.add(named(dropped));
        } while (tokens.acceptSign(','));
        boolean cascade = tokens.accept(Keyword.CASCADE);
        if (cascade) {
            tokens.accept("CONSTRAINTS");
        } else {
            tokens.accept(Keyword.RESTRICT);
        }
        return new ProgramStatement.DropPrograms(dropped, programs, cascade);
    }

    /** The kind of program that a word of DROP or COMMENT means. */
    static ProgramKind kind(Keyword word) {
        return switch (word) {
            case FUNCTION -> ProgramKind.FUNCTION;
            case PROCEDURE, PROC -> ProgramKind.PROCEDURE;
            case TRIGGER -> ProgramKind.TRIGGER;
            case RULE -> ProgramKind.RULE;
            case PACKAGE -> ProgramKind.PACKAGE;
            default -> ProgramKind.VIEW;
        };
    }
}
