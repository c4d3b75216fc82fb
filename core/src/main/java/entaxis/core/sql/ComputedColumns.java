package entaxis.core.sql;

import entaxis.core.expression.Expression;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Computed columns of a table that no constraint may speak of. What goes is said. Linear. */
final class ComputedColumns {
    private final Table table;
    private final Dialect dialect;
    private final List<AdaptationNote> findings;
    /** Their names, in small letters. */
    private final Set<String> names;

    ComputedColumns(Table table, Dialect dialect, List<AdaptationNote> findings) {
        this.table = table;
        this.dialect = dialect;
        this.findings = findings;
        this.names = dialect.constrainsComputed() ? Set.of() : table.columns().stream()
                .filter(column -> column.generated().isPresent()).map(Column::name)
                .map(name -> name.toLowerCase(Locale.ROOT)).collect(Collectors.toSet());
    }

    /** The table without the constraints that the engine refuses on them. */
    Table constrained() {
        if (names.isEmpty()) {
            return table;
        }
        Optional<PrimaryKey> key = table.primaryKey().filter(own -> takes(own.name(), own.columns()));
        List<UniqueKey> uniques = table.uniqueKeys().stream().filter(own -> takes(own.name(), own.columns())).toList();
        List<ForeignKey> references =
                table.foreignKeys().stream().filter(own -> takes(own.name(), own.columns())).toList();
        return table.withKeys(key, uniques).withChecks(table.checks().stream().filter(this::takes).toList())
                .referring(references).withIndexes(table.indexes().stream().filter(this::reads).toList());
    }

    /** Whether the values that an index is ordered by come from the row, rather than being the same in each. */
    private boolean reads(TableIndex index) {
        Set<String> stored = table.columns().stream().map(Column::name).map(name -> name.toLowerCase(Locale.ROOT))
                .filter(name -> !names.contains(name)).collect(Collectors.toSet());
        boolean reads = index.columns().stream().anyMatch(part -> {
            Optional<Expression> expression =
                    part.computed().or(() -> table.column(part.column()).flatMap(Column::generated));
            return expression.map(one -> IsoNormalizer.names(one, dialect).stream().anyMatch(stored::contains))
                    .orElse(true);
        });
        if (!reads) {
            findings.add(new AdaptationNote(AdaptationNote.Kind.LOST, table.label(), index.name(),
                    "it reads no column of the table, which is not possible; it is left out"));
        }
        return reads;
    }

    /** Whether the engine takes a check, as it speaks of none of them. */
    boolean takes(CheckRule check) {
        return names.isEmpty() || takes(check.name(), IsoNormalizer.names(check.condition(), dialect));
    }

    private boolean takes(String constraint, Iterable<String> columns) {
        for (String column : columns) {
            if (names.contains(column.toLowerCase(Locale.ROOT))) {
                findings.add(new AdaptationNote(AdaptationNote.Kind.LOST, table.label(), constraint,
                        "it speaks of the computed column " + column + ", which is not possible; it is left out"));
                return false;
            }
        }
        return true;
    }
}
