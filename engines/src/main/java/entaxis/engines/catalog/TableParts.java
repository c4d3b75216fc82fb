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

    Table table() {
        return new Table(Optional.empty(), name, columns, primaryKey, uniqueKeys, checks, foreignKeys, indexes, comment);
    }
}
