package entaxis.core.statement;

import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.QualifiedName;

/** COMMENT ON (PostgreSQL manual; Oracle Database SQL Language Reference); an empty text takes a comment away. */
public record CommentOn(Subject subject, String text) implements Statement {
    /** What a comment is on. */
    public sealed interface Subject { }

    /** A table, or a view that is spoken of as one. */
    public record OnTable(PlacedName name) implements Subject { }

    /** A column of a table or view. */
    public record OnColumn(PlacedName table, String column) implements Subject { }

    /** A type or domain. */
    public record OnType(QualifiedName name) implements Subject { }

    /** A sequence. */
    public record OnSequence(QualifiedName name) implements Subject { }

    /** A view, routine or trigger. */
    public record OnProgram(ProgramKind kind, ProgramName name) implements Subject { }
}
