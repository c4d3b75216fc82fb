package entaxis.engines.catalog;

import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A table while the catalog's answers come in. */
public final class TableParts {
    private final String name;
    private final String comment;
    private final List<Column> columns = new ArrayList<>();
    private Optional<PrimaryKey> primaryKey = Optional.empty();
    private final List<UniqueKey> uniqueKeys = new ArrayList<>();
    private final List<CheckRule> checks = new ArrayList<>();
    private final List<ForeignKey> foreignKeys = new ArrayList<>();
    private final List<TableIndex> indexes = new ArrayList<>();

    /** A table without parts. */
    public TableParts(String name, String comment) {
        this.name = name;
        this.comment = comment;
    }

    /** The parts of a table; of one that is not read, parts that go nowhere. */
    public static TableParts of(Map<String, TableParts> tables, String name) {
        TableParts known = tables.get(name);
        return known == null ? new TableParts(name, "") : known;
    }

    /** Takes a key, the primary one or one more. */
    public void key(UniqueKey key, boolean primary) {
        if (primary) {
            primaryKey = Optional.of(new PrimaryKey(key.name(), key.columns()));
        } else {
            uniqueKeys.add(key);
        }
    }

    /** The table that the parts make. */
    public Table table() {
        return Table.of(name).withColumns(columns).withKeys(primaryKey, uniqueKeys).withChecks(checks)
                .referring(foreignKeys).withIndexes(indexes).withComment(comment);
    }

    /** Its columns so far; more are added here. */
    public List<Column> columns() {
        return columns;
    }

    /** Its unique keys so far; more are added here. */
    public List<UniqueKey> uniqueKeys() {
        return uniqueKeys;
    }

    /** Its checks so far; more are added here. */
    public List<CheckRule> checks() {
        return checks;
    }

    /** Its foreign keys so far; more are added here. */
    public List<ForeignKey> foreignKeys() {
        return foreignKeys;
    }

    /** Its indexes so far; more are added here. */
    public List<TableIndex> indexes() {
        return indexes;
    }

    /** Its primary key, if it has been read. */
    public Optional<PrimaryKey> primaryKey() {
        return primaryKey;
    }

    /** Takes the primary key. */
    public void setPrimaryKey(Optional<PrimaryKey> key) {
        primaryKey = key;
    }
}
