package entaxis.core.golden;

import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.Rename;
import entaxis.core.reconcile.RenameFinder;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.reconcile.SchemaRenaming;
import entaxis.core.reconcile.Split;
import entaxis.core.reconcile.SplitFinder;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.targets.Target;
import java.nio.file.Path;
import java.util.stream.Stream;

/**
 * A change of a schema, as one engine holds both sides of it.
 *
 * @param renames which tables and columns get another name, and which columns move into a new table
 */
public record ChangeCase(GoldenFile file, Dialect dialect, Schema before, Schema after, RenameMap renames) {
    /** All kinds of changes, for an engine; the sides are written in PostgreSQL's words and adapted to it. */
    public static Stream<ChangeCase> of(Path folder, Target engine) {
        return GoldenFile.in(folder).map(file -> of(file, Dialect.of(engine)));
    }

    private static ChangeCase of(GoldenFile file, Dialect dialect) {
        Schema before = schema(file.section("before"), dialect);
        Schema after = schema(file.section("after"), dialect);
        RenameMap renames = RenameMap.NONE;
        for (Rename rename : RenameFinder.find(before, after, dialect)) {
            renames = rename.into(renames);
        }
        for (Split split : SplitFinder.find(SchemaRenaming.apply(before, renames, dialect), after, dialect)) {
            renames = split.into(renames);
        }
        return new ChangeCase(file, dialect, before, after, renames);
    }

    /** A script in PostgreSQL's words as another engine holds what it makes. */
    public static Schema schema(String script, Dialect dialect) {
        Schema read = ScriptReader.read(script, Target.POSTGRESQL).schema();
        return EngineSchema.ofDesign(IsoNormalizer.of(read, Dialect.of(Target.POSTGRESQL)), dialect);
    }

    @Override
    public String toString() {
        return file + " for " + dialect.target().title();
    }
}
