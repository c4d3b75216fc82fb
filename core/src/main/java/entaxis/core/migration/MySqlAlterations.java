package entaxis.core.migration;

import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.Dialect;
import java.util.List;
import java.util.Optional;

/** MySQL manual and MariaDB manual, ALTER TABLE. */
final class MySqlAlterations extends Alterations {
    MySqlAlterations(Dialect dialect) {
        super(dialect);
    }

    /** Each ALTER TABLE can copy the table, and a column that numbers itself is in a key at every moment. */
    @Override
    boolean oneStatement() {
        return true;
    }

    @Override
    boolean renamesIndexes() {
        return true;
    }

    @Override
    String dropForeignKey(Table table, ForeignKey key) {
        return alter(table, "DROP FOREIGN KEY " + name(key.name()));
    }

    @Override
    String dropUnique(Table table, UniqueKey key) {
        return alter(table, "DROP INDEX " + name(key.name()));
    }

    @Override
    String dropPrimaryKey(Table table, PrimaryKey key) {
        return alter(table, "DROP PRIMARY KEY");
    }

    @Override
    String dropIndex(Table table, TableIndex index) {
        return alter(table, "DROP INDEX " + name(index.name()));
    }

    @Override
    List<String> renameTable(Table before, Table after) {
        return List.of("RENAME TABLE " + writer.name(before) + " TO " + writer.name(after));
    }

    @Override
    List<String> renameIndex(Table table, String from, String to) {
        return List.of(alter(table, "RENAME INDEX " + name(from) + " TO " + name(to)));
    }

    private String placed(Optional<String> behind) {
        return behind.map(name -> name.isEmpty() ? " FIRST" : " AFTER " + name(name)).orElse("");
    }

    @Override
    List<String> addColumn(Table table, Column column, Optional<String> behind) {
        return List.of(add(table, "COLUMN " + writer.column(table, column) + placed(behind)));
    }

    @Override
    List<String> alterColumn(Table table, Column from, Column to, boolean retyped) {
        return List.of(alter(table, "MODIFY COLUMN " + writer.column(table, to)));
    }

    /** The clause that puts a column behind another; first, if that is empty. */
    String place(Table table, Column column, String behind) {
        return "MODIFY COLUMN " + writer.column(table, column) + placed(Optional.of(behind));
    }

    @Override
    List<String> tableComment(Table table) {
        return List.of(alter(table, "COMMENT = " + dialect.literal(table.comment())));
    }

    @Override
    List<String> columnComment(Table table, Column column, boolean first) {
        return List.of(alter(table, "MODIFY COLUMN " + writer.column(table, column)));
    }
}
