package entaxis.core.engine.h2;

import entaxis.core.migration.Alterations;
import entaxis.core.reconcile.Conversion;
import entaxis.core.schema.Column;
import entaxis.core.schema.Numbering;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Table;
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType.UserType;
import java.util.List;
import java.util.Optional;

/** H2 manual, ALTER TABLE. */
public final class H2Alterations extends Alterations {
    /** Registered as a service. */
    public H2Alterations() {
        super(Target.H2);
    }

    @Override
    public boolean renamesConstraints() {
        return true;
    }

    @Override
    public boolean viewsBind() {
        return true;
    }

    @Override
    public String dropPrimaryKey(Table table, PrimaryKey key) {
        return alter(table, "DROP PRIMARY KEY");
    }

    @Override
    public String retype(Table table, Column from, Column to) {
        String column = name(to.name());
        boolean byItself = Conversion.alike(from.type(), to.type());
        boolean named = from.type() instanceof UserType || to.type() instanceof UserType;
        String value = named ? "CAST(" + column + " AS VARCHAR)" : column;
        return alter(table, "ALTER COLUMN " + column + " SET DATA TYPE " + writer.type(to.type())
                + (byItself ? "" : " USING CAST(" + value + " AS " + writer.type(to.type()) + ")"));
    }

    /**
     * SET takes no START WITH (seen in version 2.4), so the column is defined again; it goes on behind the numbers that
     * are there.
     */
    @Override
    public List<String> number(Table table, Column from, Column to) {
        String column = "ALTER COLUMN " + name(to.name()) + " ";
        Numbering numbers = to.numbering().orElse(Numbering.DEFAULT);
        return List.of(alter(table, column + writer.type(to.type()) + " " + writer.numbers(to)),
                alter(table, column + "RESTART WITH (SELECT COALESCE(MAX(" + name(to.name()) + ") + " + numbers.step()
                + ", " + numbers.start() + ") FROM " + writer.name(table) + ")"));
    }

    @Override
    public boolean retypesUnderKeys() {
        return false;
    }

    /** Seen in version 2.4: KEY_COLUMN_USAGE goes on showing the old name. */
    @Override
    public boolean keysFollowRenames() {
        return false;
    }

    /** Seen in version 2.4. */
    @Override
    public boolean keepsConstantChecks() {
        return false;
    }

    /** H2 manual, SET LOCK_TIMEOUT. */
    @Override
    public Optional<String> lockLimit(long seconds) {
        return Optional.of("SET LOCK_TIMEOUT " + seconds * 1000);
    }
}
