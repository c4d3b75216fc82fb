package entaxis.core.reconcile;

import entaxis.core.schema.ProgramKind;
import entaxis.core.syntax.ScriptSyntax;
import entaxis.core.targets.Target;
import entaxis.core.token.Identifiers;
import java.util.Map;

/**
 * What engines make of the texts of views and triggers when the tables that they speak of get other names (PostgreSQL
 * manual, ALTER TABLE; SQLite, “ALTER TABLE RENAME”). Where a column has a table's name, only the
 * table is renamed; in a view that cannot be read, both are.
 */
public final class ProgramRenaming {
    private ProgramRenaming() { }

    /** Whether an engine rewrites programs of a kind. */
    public static boolean follows(ProgramKind kind, Target engine) {
        return (kind == ProgramKind.VIEW || kind == ProgramKind.TRIGGER)
                && CatalogWording.of(engine).programsFollowRenames();
    }

    /**
     * The text of a view or trigger under the new names of tables.
     *
     * @param names the new name as SQL, by the old one in small letters
     */
    public static String text(ProgramKind kind, Target engine, String text, Map<String, String> names) {
        return kind == ProgramKind.TRIGGER ? TriggerTables.renamed(text, names)
                : ScriptSyntax.of(engine).query(kind, text).map(query -> query.renamed(names))
                .orElseGet(() -> Identifiers.exchanged(text, names));
    }
}
