package entaxis.core.reading;

import entaxis.core.statement.CommentOn;
import entaxis.core.statement.PlacedName;
import entaxis.core.statement.ProgramName;
import entaxis.core.schema.QualifiedName;

/** Carries out COMMENT ON. */
final class CommentChanges {
    private final SchemaBuilder builder;
    private final ProgramChanges programs;

    CommentChanges(SchemaBuilder builder, ProgramChanges programs) {
        this.builder = builder;
        this.programs = programs;
    }

    /** Gives something a comment, or takes it. */
    void comment(CommentOn comment) {
        String text = comment.text();
        switch (comment.subject()) {
            case CommentOn.OnTable(PlacedName name) -> builder.table(name.name())
                    .ifPresentOrElse(table -> table.comment = text, () -> ofView(name, "", text));
            case CommentOn.OnColumn(PlacedName table, String column) -> builder.table(table.name()).ifPresentOrElse(
                    owner -> owner.existing(column, table.place()).comment = text, () -> ofView(table, column, text));
            case CommentOn.OnType(QualifiedName name) ->
                    builder.types.computeIfPresent(builder.key(name), (key, type) -> type.withComment(text));
            case CommentOn.OnSequence(QualifiedName name) ->
                    builder.sequences.computeIfPresent(builder.key(name), (key, own) -> own.commented(text));
            case CommentOn.OnProgram(var kind, ProgramName name) ->
                    programs.named(kind, name).forEach(key -> builder.comment(key, "", text));
        }
    }

    /** What has no table of this name may be said of a view. */
    private void ofView(PlacedName name, String column, String text) {
        String key = builder.key(name.name());
        boolean known = builder.programs.containsKey(key) || builder.passing.contains(key)
                || builder.types.containsKey(key);
        if (!known) {
            throw ConflictException.noTable(name);
        }
        builder.comment(key, column, text);
    }
}
