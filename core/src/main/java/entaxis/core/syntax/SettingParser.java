package entaxis.core.syntax;

import entaxis.core.statement.Statement;
import entaxis.core.statement.UseSchema;
import entaxis.core.token.Keyword;
import entaxis.core.token.Token.Kind;
import java.util.Locale;
import java.util.Optional;

/** Reads settings of the session: the schema that names belong to, and how texts are to be read. */
final class SettingParser {
    private static final String SETTING = "setting";
    private final StatementSplitter splitter;
    private final StatementCursor tokens;
    private final ScriptSyntax syntax;
    private final StatementEnd statementEnd;
    private final RowParser rows;

    SettingParser(StatementSplitter splitter, StatementCursor tokens, ScriptSyntax syntax, StatementEnd statementEnd,
            RowParser rows) {
        this.splitter = splitter;
        this.tokens = tokens;
        this.syntax = syntax;
        this.statementEnd = statementEnd;
        this.rows = rows;
    }

    /** Reads USE from that word on. */
    Statement use(int from) {
        tokens.advance();
        return schema(from, Optional.of(tokens.name()), "change of database");
    }

    private Statement schema(int from, Optional<String> namespace, String kind) {
        if (namespace.isEmpty()) {
            return statementEnd.skip(from, kind);
        }
        rows.startOver();
        statementEnd.pass(from);
        return new UseSchema(namespace.get(), kind);
    }

    /** Reads a query, which may set the search path (PostgreSQL manual, set_config). */
    Statement query(int from) {
        for (int i = from; i < tokens.limit(); i++) {
            boolean path = tokens.is(i, "SET_CONFIG") && tokens.kind(i + 2) == Kind.STRING
                    && tokens.stringAt(i + 2).equals("search_path");
            if (path) {
                return schema(from, tokens.kind(i + 4) == Kind.STRING
                        ? Optional.of(first(tokens.stringAt(i + 4))) : Optional.empty(), SETTING);
            }
        }
        return statementEnd.skip(from, "query");
    }

    private static String first(String searchPath) {
        String first = searchPath.split(",", -1)[0].strip().replace("\"", "").replace("'", "");
        return first.equals("$user") ? "" : first;
    }

    /** Reads SET from that word on. */
    Statement set(int from) {
        if (tokens.word(from + 1) == Keyword.SCHEMA) {
            return schema(from, nameOrText(from + 2), SETTING);
        }
        int at = tokens.is(from + 1, "SESSION") || tokens.word(from + 1) == Keyword.LOCAL ? from + 2 : from + 1;
        if (tokens.word(at) == Keyword.SEARCH_PATH) {
            int value = at + 2;
            String first = tokens.isName(value) ? tokens.nameAt(value)
                    : tokens.kind(value) == Kind.STRING ? first(tokens.stringAt(value)) : "";
            boolean usual = tokens.word(value) == Keyword.DEFAULT || first.equals("$user")
                    || first.equals("pg_catalog");
            return schema(from, Optional.of(usual ? "" : first), SETTING);
        }
        if (tokens.is(at, "STANDARD_CONFORMING_STRINGS")) {
            splitter.lexer().backslashEscapes(tokens.is(at + 2, "OFF") || tokens.word(at + 2) == Keyword.FALSE
                    || tokens.text(at + 2, at + 3).equals("'off'"));
        } else if (syntax.takes(SyntaxRule.SQL_MODES)) {
            modes(from);
        }
        return statementEnd.skip(from, SETTING);
    }

    private Optional<String> nameOrText(int token) {
        return tokens.kind(token) == Kind.STRING ? Optional.of(tokens.stringAt(token))
                : tokens.isName(token) ? Optional.of(tokens.nameAt(token)) : Optional.empty();
    }

    private void modes(int from) {
        for (int i = from; i < tokens.limit(); i++) {
            String mode = tokens.kind(i) == Kind.STRING
                    ? tokens.stringAt(i).toUpperCase(Locale.ROOT) : "";
            if (mode.contains("ANSI")) {
                splitter.lexer().doubleQuotesName();
            }
            if (mode.contains("NO_BACKSLASH_ESCAPES")) {
                // a mode that takes the word out of those that are set: MySQL manual, “Server SQL Modes”
                splitter.lexer().backslashEscapes(tokens.text(from, i).toUpperCase(Locale.ROOT).contains("REPLACE"));
            }
        }
    }
}
