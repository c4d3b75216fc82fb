package entaxis.core.reading;

import entaxis.core.schema.TableIndex;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.UniqueKey;
import entaxis.core.statement.CreateIndex;
import entaxis.core.statement.DropIndexes;
import entaxis.core.statement.IndexDefinition;
import entaxis.core.statement.PlacedName;
import entaxis.core.statement.RenameIndex;
import entaxis.core.statement.ScriptStatement;
import entaxis.core.syntax.SyntaxRule;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** Gives tables indexes, and carries out CREATE, ALTER and DROP INDEX. */
final class Indexes {
    private final SchemaBuilder builder;
    private final ImpliedNames implied;
    private final ReadingLog log;

    Indexes(SchemaBuilder builder, ImpliedNames implied, ReadingLog log) {
        this.builder = builder;
        this.implied = implied;
        this.log = log;
    }

    /** Adds an index to a table. */
    void add(TableBuilder table, TableIndex given) {
        boolean prefixes = builder.dialect.prefixIndexes()
                && given.columns().stream().anyMatch(column -> column.prefix().isPresent());
        TableIndex index = prefixes
                ? given.over(given.columns().stream().map(column -> whole(table, column)).toList()) : given;
        table.indexes.add(index);
        builder.index(index.name(), table);
    }

    /** Adds an index that is defined among the columns of its table. */
    void add(TableBuilder table, IndexDefinition definition) {
        String name = definition.name().isEmpty()
                ? implied.index(table, List.of(definition.columns().getFirst().name())) : definition.name();
        add(table, new TableIndex(name, definition.unique(), definition.columns(), definition.method(),
                definition.predicate()));
    }

    /** Gives a table an index like one of another. */
    void copy(TableBuilder table, TableIndex index) {
        add(table, index.named(implied.index(table, nameParts(index.columns()))));
    }

    /** A prefix as long as the column is no prefix. */
    static IndexColumn whole(TableBuilder table, IndexColumn column) {
        boolean all = table.column(column.name()).filter(own -> own.type instanceof SqlType.CharacterType text
                && text.length().isPresent() && text.length().equals(column.prefix())).isPresent();
        return all ? new IndexColumn(column.name(), column.descending()) : column;
    }

    /**
     * What an index is named after: its columns, for an expression the function that it calls (PostgreSQL, as its
     * source makes names).
     */
    static List<String> nameParts(List<IndexColumn> columns) {
        return columns.stream().map(column -> {
            int call = column.expression() ? column.name().indexOf('(') : -1;
            String function = call > 0 ? column.name().substring(0, call) : "";
            boolean word = !function.isEmpty()
                    && function.chars().allMatch(c -> c == '_' || c < 128 && Character.isLetterOrDigit(c));
            return !column.expression() ? column.name() : word ? function.toLowerCase(Locale.ROOT) : "expr";
        }).toList();
    }

    /** Carries out CREATE INDEX; false if it is stepped over. */
    boolean create(CreateIndex created, ScriptStatement statement) {
        PlacedName tableName = created.table();
        String key = builder.key(tableName.name());
        Optional<TableBuilder> found = builder.table(tableName.name());
        if (found.isEmpty() && (builder.passing.contains(key) || builder.programs.containsKey(key))) {
            log.steppedOver(statement.start(), "index of what is not kept");
            return false;
        }
        TableBuilder table = found.orElseThrow(() -> ConflictException.noTable(tableName));
        String name = created.name().name();
        if (created.replace()) {
            table.indexes.removeIf(index -> index.name().equalsIgnoreCase(name));
            table.uniqueKeys.removeIf(own -> own.name().equalsIgnoreCase(name));
        }
        if (created.onlyIfAbsent() && !name.isEmpty() && isThere(table, name)) {
            log.steppedOver(statement.start(), "index that is there already");
            return false;
        }
        created.definition().ifPresent(definition -> define(table, definition, created));
        return true;
    }

    private void define(TableBuilder table, IndexDefinition definition, CreateIndex created) {
        List<IndexColumn> columns = new ArrayList<>(definition.columns().size());
        for (IndexColumn column : definition.columns()) {
            columns.add(column.expression() ? column
                    : column.worded(name -> table.existing(name, created.table().place()).name,
                            UnaryOperator.identity()));
        }
        String name = definition.name().isEmpty() ? implied.index(table, nameParts(definition.columns()))
                : implied.given(table, definition.name());
        add(table, new TableIndex(name, definition.unique(), columns, definition.method(), definition.predicate(),
                definition.included()));
        if (!created.only() && !table.heirs.isEmpty()) {
            partitionsGet(table, table.indexes.getLast());
        }
    }

    private boolean isThere(TableBuilder table, String name) {
        return builder.takes(SyntaxRule.INDEXES_WITHIN_TABLE)
                ? table.indexes.stream().anyMatch(index -> index.name().equalsIgnoreCase(name))
                        || table.uniqueKeys.stream().anyMatch(key -> key.name().equalsIgnoreCase(name))
                : builder.tableOfIndex(name).isPresent();
    }

    /** PostgreSQL manual, CREATE INDEX: each partition gets one like it. */
    private void partitionsGet(TableBuilder whole, TableIndex index) {
        whole.partitions().forEach(part -> {
            copy(part, index);
            partitionsGet(part, index);
        });
    }

    /** Takes an index that the whole has lost from its partitions. */
    private static void partitionsLose(TableBuilder whole, TableIndex index) {
        whole.partitions().forEach(part -> {
            part.indexes.removeIf(own -> own.isAlike(index));
            partitionsLose(part, index);
        });
    }

    /** Carries out DROP INDEX. */
    void drop(DropIndexes dropped) {
        for (DropIndexes.Dropped each : dropped.indexes()) {
            String name = each.index().name().name();
            Optional<TableBuilder> table = each.table().map(builder::table).orElseGet(() -> builder.tableOfIndex(name));
            table.filter(owner -> !owner.heirs.isEmpty()).ifPresent(whole -> whole.indexes.stream()
                    .filter(index -> index.name().equalsIgnoreCase(name))
                    .forEach(index -> partitionsLose(whole, index)));
            boolean gone = table.map(owner -> owner.indexes.removeIf(index -> index.name().equalsIgnoreCase(name))
                    | (builder.dialect.uniqueIndexesAreKeys()
                            && owner.uniqueKeys.removeIf(key -> key.name().equalsIgnoreCase(name)))).orElse(false);
            builder.forgetIndex(name);
            if (!gone && !dropped.ifExists()) {
                throw new ConflictException(each.index().place(), "no index " + name + " is known here");
            }
        }
    }

    /** Carries out ALTER INDEX ... RENAME, which names keys too. */
    void rename(RenameIndex renamed) {
        String before = renamed.before().name().name();
        Optional<TableBuilder> table = builder.tableOfIndex(before).or(() -> ofKey(before));
        if (table.isEmpty() && !renamed.ifExists()) {
            throw new ConflictException(renamed.before().place(), "no index " + before + " is known here");
        }
        String now = renamed.now();
        table.ifPresent(owner -> {
            owner.indexes.replaceAll(index -> index.name().equalsIgnoreCase(before) ? index.named(now) : index);
            owner.uniqueKeys
                    .replaceAll(key -> key.name().equals(before) ? new UniqueKey(now, key.columns()) : key);
            owner.primaryKey = owner.primaryKey.map(key -> key.name().equals(before) ? key.named(now) : key);
            builder.forgetIndex(before);
            builder.index(implied.given(owner, now), owner);
        });
    }

    private Optional<TableBuilder> ofKey(String name) {
        for (TableBuilder owner : builder.tables()) {
            boolean own = owner.primaryKey.filter(key -> key.name().equals(name)).isPresent()
                    || owner.uniqueKeys.stream().anyMatch(key -> key.name().equals(name));
            if (own) {
                return Optional.of(owner);
            }
        }
        return Optional.empty();
    }
}
