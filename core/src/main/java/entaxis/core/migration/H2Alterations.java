package entaxis.core.migration;

import entaxis.core.design.Attribute.Identity;
import entaxis.core.reconcile.Conversion;
import entaxis.core.schema.Column;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.type.SqlType.UserType;
import java.util.ArrayList;
import java.util.List;

/** H2 manual, ALTER TABLE. */
final class H2Alterations extends Alterations {
    H2Alterations(Dialect dialect) {
        super(dialect);
    }

    @Override
    boolean renamesConstraints() {
        return true;
    }

    @Override
    boolean viewsBind() {
        return true;
    }

    @Override
    String dropPrimaryKey(Table table, PrimaryKey key) {
        return alter(table, "DROP PRIMARY KEY");
    }

    @Override
    String retype(Table table, Column from, Column to) {
        String column = name(to.name());
        boolean byItself = Conversion.alike(from.type(), to.type());
        boolean named = from.type() instanceof UserType || to.type() instanceof UserType;
        String value = named ? "CAST(" + column + " AS VARCHAR)" : column;
        return alter(table, "ALTER COLUMN " + column + " SET DATA TYPE " + writer.type(to.type()) + (byItself ? "" : " USING CAST(" + value + " AS " + writer.type(to.type()) + ")"));
    }

    @Override
    List<String> number(Table table, Column from, Column to) {
        List<String> statements = new ArrayList<>();
        String column = "ALTER COLUMN " + name(to.name());
        statements.add(alter(table, column + " " + numbering(to)));
        if (from.identity() == Identity.NONE) {
            statements.add(alter(table, column + " RESTART WITH (SELECT COALESCE(MAX(" + name(to.name()) + "), 0) + 1 FROM " + writer.name(table) + ")"));
        }
        return statements;
    }
}
