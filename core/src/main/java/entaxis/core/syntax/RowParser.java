package entaxis.core.syntax;

import entaxis.core.schema.QualifiedName;
import entaxis.core.statement.CreateVirtualTable;
import entaxis.core.statement.InsertRows;
import entaxis.core.statement.Statement;
import entaxis.core.token.Keyword;
import entaxis.core.token.Token.Kind;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Reads rows: INSERT ... VALUES and COPY ... FROM STDIN. The first few of each table are read, the others are passed.
 */
final class RowParser {
    private static final int MAX_VALUE_LENGTH = 2000;
    private static final String KIND = "rows";

    private final StatementSplitter splitter;
    private final StatementCursor tokens;
    private final NameParser names;
    private final StatementEnd statementEnd;
    private final Map<QualifiedName, Integer> counts = new HashMap<>();

    RowParser(StatementSplitter splitter, StatementCursor tokens, NameParser names, StatementEnd statementEnd) {
        this.splitter = splitter;
        this.tokens = tokens;
        this.names = names;
        this.statementEnd = statementEnd;
    }

    /** Lets rows of each table be read again, because names mean other tables from here on. */
    void startOver() {
        counts.clear();
    }

    /** Reads INSERT or REPLACE. */
    ParsedStatement insert(int from) {
        tokens.goTo(from + 1);
        while (!tokens.atEnd() && !tokens.is(Keyword.INTO) && !tokens.sign('(') && tokens.word() != Keyword.NONE
                && tokens.word() != Keyword.VALUES) {
            tokens.advance();
        }
        tokens.accept(Keyword.INTO);
        if (!tokens.isName(tokens.at())) {
            return ParsedStatement.whole(statementEnd.skip(from, KIND));
        }
        QualifiedName table = names.qualified();
        List<String> columns = List.of();
        if (tokens.sign('(') && tokens.isName(tokens.at() + 1) && tokens.ahead(1) != Keyword.SELECT) {
            columns = tokens.names();
        }
        if (tokens.accept("OVERRIDING")) {
            tokens.advance(2);
        }
        List<List<String>> rows = new ArrayList<>();
        Optional<SyntaxException> error = Optional.empty();
        if (tokens.accept(Keyword.VALUES) || tokens.accept(Keyword.VALUE)) {
            Optional<Statement> virtual = virtualTable(table, from);
            if (virtual.isPresent()) {
                return ParsedStatement.whole(virtual.get());
            }
            error = values(table, rows);
        }
        if (error.isEmpty()) {
            statementEnd.pass(from);
        }
        return new ParsedStatement(new InsertRows(table, columns, rows), error);
    }

    /** A dump of SQLite makes a virtual table by a row of sqlite_schema: its type, its name and its statement. */
    private Optional<Statement> virtualTable(QualifiedName table, int from) {
        if (!table.name().startsWith("sqlite_")) {
            return Optional.empty();
        }
        List<String> texts = new ArrayList<>();
        for (int i = tokens.at(); i < tokens.limit(); i++) {
            if (tokens.kind(i) == Kind.STRING) {
                texts.add(tokens.stringAt(i));
            }
        }
        String made = "CREATE VIRTUAL TABLE";
        if (texts.size() < 3 || !texts.getLast().regionMatches(true, 0, made, 0, made.length())) {
            return Optional.empty();
        }
        statementEnd.pass(from);
        return Optional.of(new CreateVirtualTable(new QualifiedName("", texts.get(1)), KIND));
    }

    private Optional<SyntaxException> values(QualifiedName table, List<List<String>> rows) {
        int count = counts.getOrDefault(table, 0);
        try {
            while (count < InsertRows.MAX_ROWS && tokens.acceptSign('(')) {
                List<String> row = new ArrayList<>();
                do {
                    row.add(value());
                } while (tokens.acceptSign(','));
                tokens.expectSign(')');
                rows.add(row);
                count++;
                tokens.acceptSign(',');
            }
        } catch (SyntaxException reason) {
            return Optional.of(reason);
        }
        counts.put(table, count);
        return Optional.empty();
    }

    private String value() {
        int from = tokens.at();
        tokens.skipElement();
        boolean tooLong = from < tokens.at()
                && tokens.offset(tokens.at() - 1) - tokens.offset(from) > MAX_VALUE_LENGTH;
        return tooLong ? "NULL" : tokens.verbatim(from, tokens.at());
    }

    /** Reads COPY and the lines of data that follow it (PostgreSQL manual, COPY, “Text Format”). */
    Statement copy(int from) {
        boolean fromClient = false;
        for (int i = from; i < tokens.limit(); i++) {
            fromClient |= tokens.word(i) == Keyword.FROM && tokens.word(i + 1) == Keyword.STDIN;
        }
        if (!fromClient) {
            return statementEnd.skip(from, KIND);
        }
        tokens.goTo(from + 1);
        QualifiedName table = names.qualified();
        List<String> columns = tokens.sign('(') ? tokens.names() : List.of();
        int begin = splitter.position();
        int end = splitter.data();
        statementEnd.pass(from);
        return new InsertRows(table, columns, data(table, begin, end));
    }

    private List<List<String>> data(QualifiedName table, int begin, int end) {
        List<List<String>> rows = new ArrayList<>();
        int count = counts.getOrDefault(table, 0);
        int at = begin;
        while (at < end && splitter.signAt(at) != '\n') {
            at++;
        }
        at++;
        while (count < InsertRows.MAX_ROWS && at < end) {
            int line = at;
            while (at < end && splitter.signAt(at) != '\n') {
                at++;
            }
            if (at - line <= MAX_VALUE_LENGTH * 10) {
                List<String> values = new ArrayList<>();
                for (String field : splitter.between(line, at).split("\t", -1)) {
                    values.add(field.equals("\\N") ? "NULL" : "'" + unescaped(field).replace("'", "''") + "'");
                }
                rows.add(values);
                count++;
            }
            at++;
        }
        counts.put(table, count);
        return rows;
    }

    private static String unescaped(String field) {
        if (field.indexOf('\\') < 0) {
            return field;
        }
        StringBuilder plain = new StringBuilder(field.length());
        for (int i = 0; i < field.length(); i++) {
            char c = field.charAt(i);
            if (c != '\\' || i + 1 == field.length()) {
                plain.append(c);
                continue;
            }
            char escaped = field.charAt(++i);
            plain.append(switch (escaped) {
                case 't' -> '\t';
                case 'n' -> '\n';
                case 'r' -> '\r';
                default -> escaped;
            });
        }
        return plain.toString();
    }
}
