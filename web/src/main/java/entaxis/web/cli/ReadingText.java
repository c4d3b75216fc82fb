package entaxis.web.cli;

import entaxis.core.reading.Reading;
import entaxis.core.reading.SteppedOver;
import entaxis.core.schema.Hierarchy;
import entaxis.core.schema.OwnParts;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.HierarchyWriter;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.TableWriter;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** What was read, as lines for people. */
final class ReadingText {
    private ReadingText() { }

    static List<String> lines(Reading reading) {
        Dialect dialect = Dialect.of(reading.engine());
        List<String> lines = new ArrayList<>();
        lines.add(Words.counted(reading.schema().tables().size(), "table") + ", "
                + Words.counted(reading.schema().foreignKeys(), "foreign key") + " from "
                + Words.counted(reading.statements(), "statement"));
        for (Table table : OwnParts.of(reading.schema().tables())) {
            lines.add("");
            lines.add(table.label());
            hierarchy(table.knownHierarchy(), dialect).forEach(words -> lines.add("  " + words));
            table.columns()
                    .forEach(column -> lines.add("  " + column.name() + "  "
                            + (column.type() instanceof UserType type ? type.label() : dialect.type(column.type()))
                            + (column.required() ? "  not null" : "")
                            + column.defaultValue().map(expression -> "  default " + expression).orElse("")));
            table.primaryKey().ifPresent(key -> lines.add("  primary key " + key.columns()));
            table.uniqueKeys().forEach(key -> lines.add("  unique " + key.columns()));
            table.foreignKeys().forEach(key -> lines
                    .add("  " + key.columns() + " refers to " + key.referenced().label() + " "
                            + key.referencedColumns()));
            table.indexes().forEach(index -> lines.add("  index " + index.name()));
        }
        Map<String, Long> passed = reading.steppedOver().stream()
                .collect(Collectors.groupingBy(SteppedOver::kind, TreeMap::new, Collectors.counting()));
        if (!passed.isEmpty()) {
            lines.add("");
            lines.add("Stepped over: " + passed.entrySet().stream()
                    .map(kind -> kind.getKey() + " (" + kind.getValue() + ")").collect(Collectors.joining(", ")));
        }
        if (!reading.complete()) {
            lines.add("");
            reading.notUnderstood().forEach(missed -> lines.add(ScriptFiles.place(missed)));
        }
        return lines;
    }

    /** What a table is to others; they have the columns that it does not name itself. */
    private static List<String> hierarchy(Hierarchy hierarchy, Dialect dialect) {
        HierarchyWriter writer = new TableWriter(dialect, ScriptOptions.DEFAULT).hierarchies();
        String parents = hierarchy.parents().stream().map(QualifiedName::label).collect(Collectors.joining(", "));
        List<String> lines = new ArrayList<>();
        hierarchy.bound().ifPresent(bound -> lines.add("partition of " + parents + " " + writer.bound(bound)));
        if (!hierarchy.isPartition() && !parents.isEmpty()) {
            lines.add("inherits from " + parents);
        }
        hierarchy.partitioning().ifPresent(by -> lines.add("partitioned by " + writer.partitioning(by)));
        return lines;
    }
}
