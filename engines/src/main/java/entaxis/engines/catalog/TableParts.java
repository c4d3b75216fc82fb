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
final class TableParts {
    private final String name;
    private final String comment;
    final List<Column> columns = new ArrayList<>();
    Optional<PrimaryKey> primaryKey = Optional.empty();
    final List<UniqueKey> uniqueKeys = new ArrayList<>();
    final List<CheckRule> checks = new ArrayList<>();
    final List<ForeignKey> foreignKeys = new ArrayList<>();
    final List<TableIndex> indexes = new ArrayList<>();

    TableParts(String name, String comment) {
        this.name = name;
        this.comment = comment;
    }

    /** The parts of a table; of one that is not read, parts that go nowhere. */
    static TableParts of(Map<String, TableParts> tables, String name) {
        TableParts known = tables.get(name);
        return known == null ? new TableParts(name, "") : known;
    }

    /** Takes a key, the primary one or one more. */
    void key(UniqueKey key, boolean primary) {
        if (primary) {
            primaryKey = Optional.of(new PrimaryKey(key.name(), key.columns()));
        } else {
            uniqueKeys.add(key);
        }
    }

    Table table() {
        return new Table(Optional.empty(), name, columns, primaryKey, uniqueKeys, checks, foreignKeys, indexes,
                comment);
    }
}
