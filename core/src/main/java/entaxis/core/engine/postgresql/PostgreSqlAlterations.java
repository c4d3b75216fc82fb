package entaxis.core.engine.postgresql;

import entaxis.core.migration.Alterations;
import entaxis.core.reconcile.Conversion;
import entaxis.core.schema.Column;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Table;
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType.UserType;
import java.util.List;
import java.util.Optional;

/** PostgreSQL manual, ALTER TABLE, ALTER TYPE, ALTER DOMAIN. */
public final class PostgreSqlAlterations extends Alterations {
    /** Registered as a service. */
    public PostgreSqlAlterations() {
        super(Target.POSTGRESQL);
    }

    @Override
    public boolean renamesConstraints() {
        return true;
    }

    @Override
    public boolean transactional() {
        return true;
    }

    @Override
    public boolean viewsBind() {
        return true;
    }

    /** An explicit cast would cut texts that are too long; without USING they are refused. */
    @Override
    public String retype(Table table, Column from, Column to) {
        String column = name(to.name());
        boolean byItself = Conversion.alike(from.type(), to.type()) && !(to.type() instanceof UserType);
        String through = from.type() instanceof UserType || to.type() instanceof UserType ? "::text" : "";
        return alter(table, "ALTER COLUMN " + column + " TYPE " + writer.type(to.type())
                + (byItself ? "" : " USING " + column + through + "::" + writer.type(to.type())));
    }

    /** PostgreSQL manual, CREATE CAST: values of two enumerations become one another by their texts only. */
    @Override
    public String ofNewType(String value, Column column) {
        return value + "::text::" + writer.type(column.type());
    }

    @Override
    public List<String> dropIdentity(Table table, Column column) {
        return List.of(alter(table, "ALTER COLUMN " + name(column.name()) + " DROP IDENTITY IF EXISTS"),
                alter(table, "ALTER COLUMN " + name(column.name()) + " DROP DEFAULT"));
    }

    @Override
    public List<String> number(Table table, Column from, Column to) {
        String column = "ALTER COLUMN " + name(to.name());
        if (from.identity() != Identity.NONE) {
            return super.number(table, from, to);
        }
        return List.of(alter(table, column + " ADD " + writer.numbers(to)),
                "SELECT setval(pg_get_serial_sequence(" + dialect.literal(writer.name(table)) + ", "
                        + dialect.literal(to.name())
                + "), greatest(max(" + name(to.name()) + "), 0) + 1, false) FROM " + writer.name(table));
    }

    @Override
    public boolean altersSequences() {
        return true;
    }

    @Override
    public String indexAdvice() {
        return "On a large table that is written to: CREATE INDEX CONCURRENTLY, outside of a transaction.";
    }

    /** PostgreSQL manual, CREATE FUNCTION: what it takes and gives has to stay. */
    @Override
    public boolean replacesRoutines() {
        return true;
    }

    /** PostgreSQL manual, “Client Connection Defaults”: lock_timeout. */
    @Override
    public Optional<String> lockLimit(long seconds) {
        return Optional.of("SET lock_timeout = '" + seconds + "s'");
    }
}
