package entaxis.core.engine.oracle;

import entaxis.core.migration.Alterations;
import entaxis.core.schema.Column;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Numbering;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Table;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.UniqueKey;
import entaxis.core.targets.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Oracle Database SQL Language Reference, ALTER TABLE. */
public final class OracleAlterations extends Alterations {
    /** Registered as a service. */
    public OracleAlterations() {
        super(Target.ORACLE);
    }

    @Override
    public boolean renamesConstraints() {
        return true;
    }

    @Override
    public String dropPrimaryKey(Table table, PrimaryKey key) {
        return alter(table, "DROP PRIMARY KEY");
    }

    @Override
    public String dropUnique(Table table, UniqueKey key) {
        return key.name().isEmpty() ? alter(table, "DROP UNIQUE " + writer.names(key.columns()))
                : super.dropUnique(table, key);
    }

    @Override
    public List<String> addColumn(Table table, Column column, Optional<String> behind) {
        return List.of(add(table, writer.column(table, column)));
    }

    /** A null that is there already, or is not, may not be said again (ORA-01442, ORA-01451). */
    @Override
    public List<String> alterColumn(Table table, Column from, Column to, boolean retyped) {
        List<String> statements = new ArrayList<>();
        StringBuilder clause = new StringBuilder();
        if (retyped) {
            clause.append(' ').append(writer.type(to.type()));
        }
        if (!from.defaultValue().equals(to.defaultValue())) {
            clause.append(" DEFAULT ").append(to.defaultValue().map(dialect::written).orElse("NULL"));
        }
        if (to.identity() != Identity.NONE
                && (from.identity() != to.identity() || !from.numbering().equals(to.numbering()))) {
            Numbering numbers = to.numbering().orElse(Numbering.DEFAULT);
            clause.append(" GENERATED ").append(to.identity() == Identity.ALWAYS ? "ALWAYS" : "BY DEFAULT")
                    .append(" AS IDENTITY (START WITH ").append(numbers.start())
                    .append(" INCREMENT BY ").append(numbers.step()).append(')');
        }
        if (from.required() != to.required()) {
            clause.append(to.required() ? " NOT NULL" : " NULL");
        }
        if (!clause.isEmpty()) {
            statements.add(alter(table, "MODIFY (" + name(to.name()) + clause + ")"));
        }
        return statements;
    }

    @Override
    public String converted(String value, Column from, Column to) {
        return from.type().equals(to.type()) ? value : "CAST(" + value + " AS " + writer.type(to.type()) + ")";
    }

    @Override
    public boolean altersNumbering() {
        return false;
    }

    /** ORA-01439: the column must be empty. */
    @Override
    public boolean convertsInPlace() {
        return false;
    }

    @Override
    public boolean retypesUnderKeys() {
        return false;
    }

    /** ORA-32795: no number may be given. */
    @Override
    public boolean copiesIntoNumbered() {
        return false;
    }

    @Override
    public boolean renamesTypes() {
        return false;
    }

    /** Oracle Database PL/SQL Language Reference, DROP TYPE: FORCE. */
    @Override
    public List<String> dropTypeInUse(TypeDefinition type) {
        return List.of("DROP TYPE " + writer.name(type.qualifiedName()) + " FORCE");
    }

    /** Oracle Database Reference, DDL_LOCK_TIMEOUT. */
    @Override
    public Optional<String> lockLimit(long seconds) {
        return Optional.of("ALTER SESSION SET ddl_lock_timeout = " + seconds);
    }
}
