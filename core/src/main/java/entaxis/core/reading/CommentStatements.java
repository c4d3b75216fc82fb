package entaxis.core.reading;

import entaxis.core.reading.SchemaBuilder.QName;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reads COMMENT ON. */
final class CommentStatements {
    private final TokenCursor tokens;
    private final SchemaBuilder builder;
    private final DefinitionParsers definitions;
    private final ProgramStatements programs;
    private final StepOver pass;

    CommentStatements(TokenCursor tokens, SchemaBuilder builder, DefinitionParsers definitions,
            ProgramStatements programs,
            StepOver pass) {
        this.tokens = tokens;
        this.builder = builder;
        this.definitions = definitions;
        this.programs = programs;
        this.pass = pass;
    }

    // comments

    /** ISO has none; PostgreSQL manual, COMMENT; Oracle Database SQL Language Reference, COMMENT. */
    void comment() {
        int from = tokens.at;
        tokens.at++;
        if (!tokens.accept(Keyword.ON)) {
            throw tokens.unreadable("ON is expected behind COMMENT");
        }
        Keyword kind = tokens.word();
        tokens.at++;
        switch (kind) {
            case TABLE -> {
                int at = tokens.at;
                QName name = definitions.names().qualified();
                String text = commentText();
                builder.table(name).ifPresentOrElse(table -> table.comment = text,
                        () -> carried(name, "", text, at));
            }
            case COLUMN -> {
                int at = tokens.at;
                List<String> parts = new ArrayList<>();
                do {
                    parts.add(tokens.name());
                } while (tokens.acceptSign('.'));
                String text = commentText();
                if (parts.size() < 2) {
                    throw new StatementException(at, "a table and its column are expected here");
                }
                QName name =
                        new QName(parts.size() > 2 ? parts.get(parts.size() - 3) : "", parts.get(parts.size() - 2));
                Optional<TableBuilder> table = builder.table(name);
                if (table.isEmpty()) {
                    carried(name, parts.getLast(), text, at);
                } else {
                    table.get().column(parts.getLast()).orElseThrow(() -> StatementException.conflict(at,
                            "the table " + name.name() + " has no column " + parts.getLast())).comment = text;
                }
            }
            case DOMAIN, TYPE -> {
                QName name = definitions.names().qualified();
                String text = commentText();
                builder.types.computeIfPresent(builder.key(name), (key, type) -> type.withComment(text));
            }
            case VIEW, FUNCTION, PROCEDURE, TRIGGER, RULE, MATERIALIZED -> program(from, kind);
            case SEQUENCE -> {
                QName name = definitions.names().qualified();
                String text = commentText();
                builder.sequences.computeIfPresent(builder.key(name), (key, own) -> own.commented(text));
            }
            default -> pass.over(from, "comment on something else");
        }
    }

    /** What has no table of this name may be said of a view. */
    private void carried(QName name, String column, String text, int at) {
        String key = builder.key(name);
        boolean known = builder.programs.containsKey(key) || builder.passing.contains(key)
                || builder.types.containsKey(key);
        if (!known) {
            throw StatementException.conflict(at, "no table " + name.name() + " is known here");
        }
        builder.comment(key, column, text);
    }

    private void program(int from, Keyword kind) {
        if (kind == Keyword.MATERIALIZED) {
            tokens.accept(Keyword.VIEW);
        }
        List<String> keys = programs.named(ProgramStatements.kind(kind));
        if (!tokens.is(Keyword.IS)) {
            pass.over(from, "comment on something else");
            return;
        }
        String text = commentText();
        keys.forEach(key -> builder.comment(key, "", text));
    }

    private String commentText() {
        tokens.expect(Keyword.IS);
        return tokens.accept(Keyword.NULL) ? "" : tokens.string();
    }
}
