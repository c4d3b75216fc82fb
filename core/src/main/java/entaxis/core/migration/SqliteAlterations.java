package entaxis.core.migration;

import entaxis.core.schema.Column;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import java.util.List;

/** SQLite documentation, ALTER TABLE. */
final class SqliteAlterations extends Alterations {
    SqliteAlterations(Dialect dialect) {
        super(dialect);
    }

    @Override
    boolean transactional() {
        return true;
    }

    @Override
    boolean viewsBind() {
        return true;
    }

    /** There are no comments to change. */
    @Override
    List<String> tableComment(Table table) {
        return List.of();
    }

    @Override
    List<String> columnComment(Table table, Column column, boolean first) {
        return List.of();
    }
}
