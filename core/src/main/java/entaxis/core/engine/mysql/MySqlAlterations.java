package entaxis.core.engine.mysql;

import entaxis.core.migration.Alterations;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import entaxis.core.targets.Target;
import java.util.List;
import java.util.Optional;

/** MySQL manual and MariaDB manual, ALTER TABLE. */
public class MySqlAlterations extends Alterations {
    /** Alterations of MySQL. */
    public MySqlAlterations() {
        super(Target.MYSQL);
    }

    /** Alterations of an engine of the family. */
    protected MySqlAlterations(Target engine) {
        super(engine);
    }

    /** Each ALTER TABLE can copy the table, and a column that numbers itself is in a key at every moment. */
    @Override
    public boolean oneStatement() {
        return true;
    }

    @Override
    public boolean renamesIndexes() {
        return true;
    }

    @Override
    public String dropForeignKey(Table table, ForeignKey key) {
        return alter(table, "DROP FOREIGN KEY " + name(key.name()));
    }

    @Override
    public String dropUnique(Table table, UniqueKey key) {
        return alter(table, "DROP INDEX " + name(key.name()));
    }

    @Override
    public String dropPrimaryKey(Table table, PrimaryKey key) {
        return alter(table, "DROP PRIMARY KEY");
    }

    @Override
    public String dropIndex(Table table, TableIndex index) {
        return alter(table, "DROP INDEX " + name(index.name()));
    }

    @Override
    public List<String> renameTable(Table before, Table after) {
        return List.of("RENAME TABLE " + writer.name(before) + " TO " + writer.name(after));
    }

    @Override
    public List<String> renameIndex(Table table, String from, String to) {
        return List.of(alter(table, "RENAME INDEX " + name(from) + " TO " + name(to)));
    }

    private String placed(Optional<String> behind) {
        return behind.map(name -> name.isEmpty() ? " FIRST" : " AFTER " + name(name)).orElse("");
    }

    @Override
    public List<String> addColumn(Table table, Column column, Optional<String> behind) {
        return List.of(add(table, "COLUMN " + writer.column(table, column) + placed(behind)));
    }

    @Override
    public List<String> alterColumn(Table table, Column from, Column to, boolean retyped) {
        return List.of(alter(table, "MODIFY COLUMN " + writer.column(table, to)));
    }

    @Override
    public String place(Table table, Column column, String behind) {
        return "MODIFY COLUMN " + writer.column(table, column) + placed(Optional.of(behind));
    }

    @Override
    public List<String> tableComment(Table table) {
        return List.of(alter(table, "COMMENT = " + dialect.literal(table.comment())));
    }

    @Override
    public List<String> columnComment(Table table, Column column, boolean first) {
        return List.of(alter(table, "MODIFY COLUMN " + writer.column(table, column)));
    }

    /** MySQL manual, “FOREIGN KEY Constraints”: columns of a reference keep their type and name while it holds. */
    @Override
    public boolean altersReferencedColumns() {
        return false;
    }

    @Override
    public boolean computedFollowRenames() {
        return false;
    }

    /** MySQL manual, ALTER TABLE: a column that a condition or expression speaks of is not renamed. */
    @Override
    public boolean conditionsFollowRenames() {
        return false;
    }

    /** MySQL manual, “Data Type Default Values”: the implicit default of the type. */
    @Override
    public boolean fillsRequiredItself() {
        return true;
    }

    @Override
    public boolean leavesSupportingIndexes() {
        return true;
    }

    @Override
    public boolean namesSpanTables() {
        return false;
    }

    /** MySQL and MariaDB manuals, “Server System Variables”: for definitions, and for rows. */
    @Override
    public Optional<String> lockLimit(long seconds) {
        return Optional.of("SET SESSION lock_wait_timeout = " + seconds + ", innodb_lock_wait_timeout = " + seconds);
    }
}
