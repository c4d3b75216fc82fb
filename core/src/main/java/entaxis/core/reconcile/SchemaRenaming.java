package entaxis.core.reconcile;

import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Hierarchy;
import entaxis.core.schema.Program;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.Dialect;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * A schema with tables and columns under new names, in all that refers to them. Views and routines keep their text.
 * Linear.
 */
public final class SchemaRenaming {
    private final RenameMap pairing;
    private final Dialect dialect;
    private final Map<String, String> bare = new HashMap<>();

    private SchemaRenaming(RenameMap pairing, Dialect dialect) {
        this.pairing = pairing;
        this.dialect = dialect;
        pairing.tables().forEach((from, to) -> bare.put(from, QualifiedName.ofLabel(to).name()));
    }

    /** The schema in new names; of a pairing, the old names are those of the schema. */
    public static Schema apply(Schema schema, RenameMap pairing, Dialect dialect) {
        if (pairing.isEmpty()) {
            return schema;
        }
        SchemaRenaming renaming = new SchemaRenaming(pairing, dialect);
        return new Schema(schema.types(), schema.sequences(), schema.tables().stream().map(renaming::table).toList(),
                renaming.programs(schema.programs()), schema.extensions());
    }

    /** Views and triggers as they are worded once their tables have the new names, where they follow them. */
    private List<Program> programs(List<Program> programs) {
        if (bare.isEmpty()) {
            return programs;
        }
        Map<String, String> words = new HashMap<>();
        bare.forEach((from, to) -> words.put(QualifiedName.ofLabel(from).name().toLowerCase(Locale.ROOT),
                dialect.name(to)));
        return programs.stream()
                .map(program -> ProgramRenaming.follows(program.kind(), dialect.target()) ? program.worded(
                        ProgramRenaming.text(program.kind(), dialect.target(), program.text(), words)) : program)
                .toList();
    }

    private Table table(Table table) {
        String wanted = pairing.table(table.label());
        Map<String, String> columns = pairing.columns().getOrDefault(wanted, Map.of());
        List<ForeignKey> keys = table.foreignKeys().stream().map(key -> reference(key, columns)).toList();
        Optional<Hierarchy> hierarchy = table.hierarchy().map(own -> own.renamed(
                parent -> parent.named(bare.getOrDefault(parent.label(), parent.name()))));
        String name = bare.getOrDefault(table.label(), table.name());
        if (columns.isEmpty()) {
            return table.named(name).referring(keys).withHierarchy(hierarchy);
        }
        Map<String, String> words = new HashMap<>();
        columns.forEach((from, to) -> words.put(from.toLowerCase(Locale.ROOT), dialect.name(to)));
        List<Column> renamed =
                table.columns().stream().map(column -> column.named(columns.getOrDefault(column.name(), column.name()))
                .withGenerated(column.generated().map(expression -> expression.renamed(words)))).toList();
        List<TableIndex> indexes = table.indexes().stream()
                .map(index -> index.worded(own -> columns.getOrDefault(own, own),
                        expression -> expression.renamed(words))).toList();
        return table.named(name).withColumns(renamed)
                .withKeys(table.primaryKey()
                        .map(key -> key.renamed(column -> names(List.of(column), columns).getFirst())),
                        table.uniqueKeys().stream()
                                .map(key -> new UniqueKey(key.name(), names(key.columns(), columns))).toList())
                .withChecks(table.checks().stream()
                        .map(check -> check.with(check.condition().renamed(words)))
                        .toList())
                .referring(keys).withIndexes(indexes)
                .withHierarchy(hierarchy.map(own -> own.withKey(column -> columns.getOrDefault(column, column),
                        expression -> expression.renamed(words))));
    }

    private ForeignKey reference(ForeignKey key, Map<String, String> own) {
        String referenced = key.referenced().label();
        Map<String, String> there = pairing.columns().getOrDefault(pairing.table(referenced), Map.of());
        return key.over(names(key.columns(), own))
                .to(key.referenced().named(bare.getOrDefault(referenced, key.referencedTable())),
                        names(key.referencedColumns(), there));
    }

    private static List<String> names(List<String> names, Map<String, String> exchanged) {
        return names.stream().map(name -> exchanged.getOrDefault(name, name)).toList();
    }
}
