package entaxis.core.syntax;

import entaxis.core.schema.Numbering;
import entaxis.core.schema.QualifiedName;
import entaxis.core.statement.PlacedName;
import entaxis.core.statement.SequenceStatement.OwningColumn;
import entaxis.core.statement.SequenceStatement;
import entaxis.core.statement.Statement;
import entaxis.core.token.Keyword;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reads CREATE, ALTER and DROP SEQUENCE (ISO/IEC 9075-2, 11.72 to 11.74). */
final class SequenceParser {
    private final StatementCursor tokens;
    private final ScriptSyntax syntax;
    private final ElementParsers parsers;
    private final StatementEnd statementEnd;

    SequenceParser(StatementCursor tokens, ScriptSyntax syntax, ElementParsers parsers, StatementEnd statementEnd) {
        this.tokens = tokens;
        this.syntax = syntax;
        this.parsers = parsers;
        this.statementEnd = statementEnd;
    }

    /** Reads CREATE SEQUENCE from behind those words. */
    Statement create(boolean temporary) {
        boolean onlyIfAbsent = tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        PlacedName name = parsers.names().placed();
        if (tokens.accept(Keyword.AS)) {
            parsers.types().type();
        }
        int begin = tokens.at();
        while (!tokens.atEnd() && !(syntax.takes(SyntaxRule.RUN_ON_STATEMENTS) && tokens.startsStatement())) {
            tokens.advance();
        }
        int end = tokens.at();
        tokens.goTo(begin);
        Numbering numbering = parsers.numbers().sequenceOptions(end);
        Optional<OwningColumn> owner = owner(begin, end);
        tokens.goTo(end);
        return new SequenceStatement.CreateSequence(name, onlyIfAbsent, temporary, numbering, owner);
    }

    /** PostgreSQL manual, CREATE SEQUENCE: OWNED BY. */
    private Optional<OwningColumn> owner(int begin, int end) {
        for (int i = begin; i + 2 < end; i++) {
            if (tokens.word(i) != Keyword.OWNED || tokens.word(i + 1) != Keyword.BY) {
                continue;
            }
            tokens.goTo(i + 2);
            if (tokens.is(Keyword.NO) || tokens.is("NONE")) {
                return Optional.empty();
            }
            List<String> parts = new ArrayList<>(3);
            do {
                parts.add(tokens.name());
            } while (tokens.acceptSign('.'));
            int last = parts.size() - 1;
            return last < 1 ? Optional.empty() : Optional.of(new OwningColumn(
                    new QualifiedName(last > 1 ? parts.get(last - 2) : "", parts.get(last - 1)), parts.get(last)));
        }
        return Optional.empty();
    }

    /** Reads ALTER SEQUENCE from the second word on. */
    Statement alter(int from) {
        tokens.advance();
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        QualifiedName name = parsers.names().qualified();
        Optional<OwningColumn> owner = owner(tokens.at(), tokens.limit());
        Optional<String> newName = Optional.empty();
        for (int i = from; i + 2 < tokens.limit() && newName.isEmpty(); i++) {
            if (tokens.word(i) == Keyword.RENAME && tokens.word(i + 1) == Keyword.TO && tokens.isName(i + 2)) {
                newName = Optional.of(tokens.nameAt(i + 2));
            }
        }
        statementEnd.pass(from);
        return new SequenceStatement.AlterSequence(name, owner, newName);
    }

    /** Reads DROP SEQUENCE from the second word on. */
    Statement drop() {
        tokens.advance();
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        List<QualifiedName> names = parsers.names().list();
        if (!tokens.accept(Keyword.CASCADE)) {
            tokens.accept(Keyword.RESTRICT);
        }
        return new SequenceStatement.DropSequences(names);
    }
}
