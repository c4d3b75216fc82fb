package entaxis.core.sql;

import entaxis.core.schema.ObjectComment;
import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Sequence;
import entaxis.core.token.SqlText;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Writes the comments of views, routines, triggers and sequences, and what these are called in other statements. */
public final class ProgramWriter {
    private final Dialect dialect;
    private final Spelling spelling;

    /** A writer for one engine; the options say how names are written. */
    public ProgramWriter(Dialect dialect, ScriptOptions options) {
        this.dialect = dialect;
        this.spelling = new Spelling(dialect, options);
    }

    /** What a program is called where a statement is about it, such as {@code FUNCTION weight(lot integer)}. */
    public String object(Program program) {
        String name = spelling.qualified(program.namespace(), program.name());
        boolean routine = program.kind() == ProgramKind.FUNCTION || program.kind() == ProgramKind.PROCEDURE;
        Optional<QualifiedName> table = dialect.triggersWithinTable()
                ? program.head(dialect::unquoted).belongsTo() : Optional.empty();
        if (table.isPresent()) {
            return word(program) + " " + spelling.name(program.name()) + " ON "
                    + spelling.qualified(table.get().namespace(), table.get().name());
        }
        String arguments = program.head(dialect::unquoted).routineParameters();
        return word(program) + " " + name + (routine && dialect.routineSignature(arguments).isPresent()
                ? "(" + dialect.withoutDefaults(arguments) + ")" : "");
    }

    private static String word(Program program) {
        boolean materialized = program.kind() == ProgramKind.VIEW
                && SqlText.beginning(program.text(), 2).is(0, "create", "materialized");
        return (materialized ? "MATERIALIZED " : "") + program.kind().word().toUpperCase(Locale.ROOT);
    }

    /** The statement that drops a program. */
    public String drop(Program program) {
        return "DROP " + object(program);
    }

    /** The statements that make its comments what they are to be. */
    public List<String> comments(Program program, List<ObjectComment> before) {
        List<String> statements = new ArrayList<>();
        if (!dialect.commentedPrograms().contains(program.kind())) {
            return statements;
        }
        before.stream().filter(old -> comment(program, old.column()).isEmpty())
                .forEach(old -> statements.add(comment(program, new ObjectComment(old.column(), ""))));
        program.comments().stream().filter(now -> !before.contains(now))
                .forEach(now -> statements.add(comment(program, now)));
        return statements;
    }

    private static Optional<ObjectComment> comment(Program program, String column) {
        return program.comments().stream().filter(now -> now.column().equals(column)).findFirst();
    }

    private String comment(Program program, ObjectComment comment) {
        String object = comment.column().isEmpty() ? commentedAs(program)
                : "COLUMN " + spelling.qualified(program.namespace(), program.name()) + "."
                        + spelling.name(comment.column());
        return "COMMENT ON " + object + " IS " + (comment.text().isEmpty() ? dialect.noComment()
                : dialect.literal(comment.text()));
    }

    private String commentedAs(Program program) {
        return program.kind() == ProgramKind.VIEW && dialect.commentsOnViewsAsTables()
                ? "TABLE " + spelling.qualified(program.namespace(), program.name()) : object(program);
    }

    /** The statement that gives a sequence its comment; none for engines that keep none. */
    public Optional<String> comment(Sequence sequence) {
        return dialect.commentsOnSequences() ? Optional.of("COMMENT ON SEQUENCE " + spelling.name(sequence) + " IS "
                + (sequence.comment().isEmpty() ? dialect.noComment() : dialect.literal(sequence.comment())))
                : Optional.empty();
    }

    /** What a program is called in GRANT. */
    String granted(Program program) {
        return program.kind() == ProgramKind.VIEW ? spelling.qualified(program.namespace(), program.name())
                : object(program);
    }
}
