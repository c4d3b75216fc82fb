package entaxis.core.migration;

import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.GrantWriter;
import entaxis.core.sql.ScriptOptions;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** The steps that say who may use tables and types: those that are made, and those of which it changes. */
final class GrantPlan {
    private final Schema to;
    private final GrantWriter writer;

    GrantPlan(Schema to, Dialect dialect) {
        this.to = to;
        this.writer = new GrantWriter(dialect, ScriptOptions.DEFAULT);
    }

    /**
     * Adds the steps; linear.
     *
     * @param tableBefore what a table was; empty where it is made now
     * @param typeBefore  what a type was; empty where it is made now
     */
    void steps(Function<Table, Optional<Table>> tableBefore, Function<TypeDefinition, Optional<TypeDefinition>>
            typeBefore, List<Step> steps) {
        for (TypeDefinition type : to.types()) {
            Optional<TypeDefinition> before = typeBefore.apply(type);
            boolean kept = before.filter(own -> own.grants().isEmpty()).isPresent();
            add(steps, "", type.label(),
                    kept ? List.of() : writer.type(type, before.flatMap(TypeDefinition::grants)));
        }
        for (Table table : to.tables()) {
            Optional<Table> before = tableBefore.apply(table);
            boolean kept = before.filter(own -> own.grants().isEmpty()).isPresent();
            add(steps, table.label(), table.label(),
                    kept ? List.of() : writer.table(table, before.flatMap(Table::grants)));
        }
    }

    private static void add(List<Step> steps, String table, String name, List<String> statements) {
        if (!statements.isEmpty()) {
            steps.add(Step.safe(Stage.COMMENTS, table, "Say who may use " + name, statements));
        }
    }
}
