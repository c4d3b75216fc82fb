package entaxis.core.statement;

import entaxis.core.schema.ProgramHead;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.QualifiedName;
import java.util.List;

/** Statements on views, routines and triggers, which are kept as texts. */
public sealed interface ProgramStatement extends Statement {
    /**
     * CREATE VIEW and the like.
     *
     * @param body         whether it is the body of a package rather than its specification
     * @param head         what it says before its body
     * @param onlyIfAbsent whether nothing is to be done where there is a table of the name
     * @param place        where its name stands
     * @param text         the whole statement as written
     */
    record CreateProgram(ProgramKind kind, boolean body, QualifiedName name, ProgramHead head, int place,
            boolean onlyIfAbsent, String text) implements ProgramStatement { }

    /** ALTER VIEW ... RENAME. */
    record RenameView(QualifiedName before, String now) implements ProgramStatement { }

    /** DROP VIEW and the like. */
    record DropPrograms(ProgramKind kind, List<ProgramName> names, boolean cascade) implements ProgramStatement {
        /** Copies the names. */
        public DropPrograms {
            names = List.copyOf(names);
        }
    }
}
