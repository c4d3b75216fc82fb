package entaxis.bench;

import entaxis.core.migration.Fills;
import entaxis.core.migration.Migration;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.Merge;
import entaxis.core.reconcile.RenameFinder;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;

/**
 * How fast two schemas are compared, with one table in 25 changed and one in 250 renamed; renames found, decisions
 * carried out, the script worked out. Medians of warm runs.
 */
public final class ReconcileSpeed {
    private static final int CHANGED = 25;
    private static final int RENAMED = 250;

    private ReconcileSpeed() { }

    /** Prints the figures. */
    public static void main(String[] arguments) throws Exception {
        Dialect dialect = Dialect.of(Target.POSTGRESQL);
        for (int tables : new int[] {625, 1250, 2500, 5000}) {
            Schema from = EngineSchema.of(ScriptReader.read(script(tables, false), Target.POSTGRESQL).schema(),
                    Target.POSTGRESQL, dialect);
            Schema to = EngineSchema.of(ScriptReader.read(script(tables, true), Target.POSTGRESQL).schema(),
                    Target.POSTGRESQL, dialect);
            Comparison comparison = Comparison.of(from, to, dialect, RenameMap.NONE);
            System.out.printf("%d tables with %d, %d differences%n", tables, tables, comparison.differences().size());
            System.out.printf(
                    "  comparing %.1f ms, finding renames %.1f ms (%d found), merging %.1f ms, working out the script "
                            + "%.1f ms%n",
                    Median.of(() -> Comparison.of(from, to, dialect, RenameMap.NONE)),
                    Median.of(() -> RenameFinder.find(from, to, dialect)), RenameFinder.find(from, to, dialect).size(),
                    Median.of(() -> Merge.of(from, to, dialect, RenameMap.NONE, difference -> true)),
                    Median.of(() -> Migration.of(from, to, dialect, RenameMap.NONE, Fills.NONE)));
        }
    }

    private static String script(int tables, boolean moved) {
        StringBuilder script = new StringBuilder();
        for (int i = 0; i < tables; i++) {
            String name = moved && i % RENAMED == 0 ? "renamed_" + i : "table_" + i;
            script.append("CREATE TABLE ").append(name).append(" (\n    id bigint NOT NULL,\n");
            for (int column = 0; column < 10; column++) {
                boolean changed = moved && i % CHANGED == 1 && column == i % 10;
                script.append("    column_").append(column).append(changed ? " varchar(90) NOT NULL"
                        : column % 2 == 0 ? " varchar(60) DEFAULT 'none'" : " numeric(9,2)").append(",\n");
            }
            script.append("    CONSTRAINT pk_").append(i).append(" PRIMARY KEY (id),\n    CONSTRAINT uq_").append(i)
                    .append(" UNIQUE (column_0),\n    CONSTRAINT ck_").append(i)
                    .append(" CHECK (column_1 between 0 and 900)\n);\nCREATE INDEX ix_").append(i).append(" ON ")
                    .append(name).append(" (column_2);\n");
        }
        return script.toString();
    }
}
