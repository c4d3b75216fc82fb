package entaxis.core.reading;

import entaxis.core.reading.SchemaBuilder.QName;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Reads rows: INSERT ... VALUES and COPY ... FROM STDIN. The first few of each table are kept as sample rows, the
 * others are passed.
 */
final class RowStatements {
    /** How many rows of a table are kept. */
    static final int KEPT = 20;
    private static final int MAX_VALUE_LENGTH = 2000;

    private final ScriptLexer lexer;
    private final TokenCursor tokens;
    private final SchemaBuilder builder;
    private final DefinitionParsers definitions;
    private final List<ReadRow> rows;
    private final StepOver pass;
    private final Map<String, Integer> kept = new HashMap<>();

    RowStatements(ScriptLexer lexer, TokenCursor tokens, SchemaBuilder builder, DefinitionParsers definitions,
            List<ReadRow> rows, StepOver pass) {
        this.lexer = lexer;
        this.tokens = tokens;
        this.builder = builder;
        this.definitions = definitions;
        this.rows = rows;
        this.pass = pass;
    }

    /** Reads INSERT or REPLACE. */
    void insert(int from) {
        tokens.at = from + 1;
        while (!tokens.atEnd() && !tokens.is(Keyword.INTO) && !tokens.sign('(') && tokens.word() != Keyword.NONE
                && tokens.word() != Keyword.VALUES) {
            tokens.at++;
        }
        tokens.accept(Keyword.INTO);
        if (!tokens.isName(tokens.at)) {
            pass.over(from, "rows");
            return;
        }
        QName name = definitions.names().qualified();
        Optional<TableBuilder> table = builder.table(name);
        List<String> columns = List.of();
        if (tokens.sign('(') && tokens.isName(tokens.at + 1) && tokens.word(tokens.at + 1) != Keyword.SELECT) {
            columns = tokens.names();
        }
        if (tokens.acceptReading("OVERRIDING")) {
            tokens.at += 2;
        }
        boolean values = tokens.accept(Keyword.VALUES) || tokens.accept(Keyword.VALUE);
        if (values && table.isPresent()) {
            values(name, table.get(), columns);
        } else if (values && name.name().startsWith("sqlite_")) {
            virtualTable();
        }
        pass.over(from, "rows");
    }

    /** A dump of SQLite makes a virtual table by a row of sqlite_schema: its type, its name and its statement. */
    private void virtualTable() {
        List<String> texts = new ArrayList<>();
        for (int i = tokens.at; i < tokens.limit; i++) {
            if (tokens.kind(i) == TokenizedStatement.STRING) {
                texts.add(tokens.stringAt(i));
            }
        }
        String made = "CREATE VIRTUAL TABLE";
        if (texts.size() > 2 && texts.getLast().regionMatches(true, 0, made, 0, made.length())) {
            builder.virtual(texts.get(1));
        }
    }

    private void values(QName name, TableBuilder table, List<String> named) {
        List<String> columns = named.isEmpty() ? table.columns.stream().map(column -> column.name).toList() : named;
        String key = builder.key(name);
        int count = kept.getOrDefault(key, 0);
        while (count < KEPT && tokens.sign('(')) {
            tokens.at++;
            List<String> row = new ArrayList<>(columns.size());
            do {
                row.add(value());
            } while (tokens.acceptSign(','));
            tokens.expectSign(')');
            if (row.size() == columns.size()) {
                rows.add(new ReadRow(table.namespace, table.name, columns, row));
                count++;
            }
            tokens.acceptSign(',');
        }
        kept.put(key, count);
    }

    private String value() {
        int from = tokens.at;
        while (!tokens.atEnd() && !tokens.sign(',') && !tokens.sign(')')) {
            if (tokens.sign('(')) {
                tokens.skipRound();
            } else {
                tokens.at++;
            }
        }
        boolean tooLong = from < tokens.at && tokens.offset(tokens.at - 1) - tokens.offset(from) > MAX_VALUE_LENGTH;
        return tooLong ? "NULL" : tokens.verbatim(from, tokens.at);
    }

    /** Reads COPY and the lines of data that follow it (PostgreSQL manual, COPY, “Text Format”). */
    void copy(int from) {
        boolean fromClient = false;
        for (int i = from; i < tokens.limit; i++) {
            fromClient |= tokens.word(i) == Keyword.FROM && (tokens.word(i + 1) == Keyword.STDIN);
        }
        if (!fromClient) {
            pass.over(from, "rows");
            return;
        }
        tokens.at = from + 1;
        QName name = definitions.names().qualified();
        Optional<TableBuilder> table = builder.table(name);
        List<String> columns = tokens.sign('(') ? tokens.names()
                : table.map(owner -> owner.columns.stream().map(column -> column.name).toList()).orElse(List.of());
        int begin = lexer.position();
        int end = lexer.data();
        table.ifPresent(owner -> data(owner, name, columns, begin, end));
        pass.over(from, "rows");
    }

    private void data(TableBuilder table, QName name, List<String> columns, int begin, int end) {
        int count = kept.getOrDefault(builder.key(name), 0);
        int at = begin;
        while (at < end && lexer.signAt(at) != '\n') {
            at++;
        }
        at++;
        while (count < KEPT && at < end) {
            int line = at;
            while (at < end && lexer.signAt(at) != '\n') {
                at++;
            }
            String[] fields =
                    at - line > MAX_VALUE_LENGTH * 10 ? new String[0] : lexer.between(line, at).split("\t", -1);
            if (fields.length == columns.size()) {
                List<String> values = new ArrayList<>(fields.length);
                for (String field : fields) {
                    values.add(field.equals("\\N") ? "NULL" : "'" + unescaped(field).replace("'", "''") + "'");
                }
                rows.add(new ReadRow(table.namespace, table.name, columns, values));
                count++;
            }
            at++;
        }
        kept.put(builder.key(name), count);
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
