package entaxis.core.impact;

import entaxis.core.change.AttributeAspect;
import entaxis.core.change.Change;
import entaxis.core.derive.Derivation;
import entaxis.core.derive.DerivedColumn;
import entaxis.core.design.Attribute;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Sheet;
import entaxis.core.reconcile.Dependents;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.type.SqlType.IntegerSize;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What an entity, or one column of its table, reaches in the design and in a database made from it.
 *
 * @param table   name of the table
 * @param column  name of the column; empty for the whole table
 * @param touched keys, references, indexes, checks and computed columns that depend on it
 * @param sheets  names of the sheets that show it
 * @param rows    sample rows that have a value there
 * @param changes changes that could be made; none for a column that follows from a relationship
 */
public record Impact(String table, String column, List<String> touched, List<String> sheets, int rows,
        List<ImpactPreview> changes) {

    /** What a whole entity reaches; nothing where it has no table. Linear in the schema. */
    public static Optional<Impact> of(Design design, Derivation derivation, EntityId id) {
        return derivation.table(id).map(table -> new Run(design, derivation, id, table).whole());
    }

    /** What a column of an entity's table reaches; nothing where there is no such column. Linear in the schema. */
    public static Optional<Impact> of(Design design, Derivation derivation, EntityId id, ColumnPath path) {
        return derivation.derived(id).flatMap(table -> table.column(path)
                .map(column -> new Run(design, derivation, id, table.table()).column(column)));
    }

    private static final int LONG = 400;

    private static final class Run {
        private final Design design;
        private final Derivation derivation;
        private final EntityId id;
        private final Table table;
        private final Dialect dialect;
        private final Schema held;

        Run(Design design, Derivation derivation, EntityId id, Table table) {
            this.design = design;
            this.derivation = derivation;
            this.id = id;
            this.table = table;
            this.dialect = Dialect.of(design.facts().target());
            this.held = EngineSchema.ofDesign(derivation.schema(), dialect);
        }

        Impact whole() {
            Entity entity = design.entities().get(id);
            List<ImpactPreview> changes =
                    List.of(foreseen("give it another name", new Change.RenameEntity(id, entity.name() + " new")),
                            foreseen("delete it", new Change.RemoveEntity(id)));
            int rows = (int) design.rows().stream().filter(row -> row.table().equals(id)).count();
            return new Impact(table.name(), "",
                    Dependents.in(derivation.schema(), dialect).of(table.label(), ""), sheets(), rows, changes);
        }

        Impact column(DerivedColumn column) {
            ColumnPath path = column.path();
            int rows = (int) design.rows().stream()
                    .filter(row -> row.table().equals(id) && row.values().containsKey(path)).count();
            List<ImpactPreview> changes = path.migrated() ? List.of()
                    : design.entities().get(id).attribute(path.attribute()).map(this::changes).orElse(List.of());
            return new Impact(table.name(), column.name(),
                    Dependents.in(derivation.schema(), dialect).of(table.label(), column.name()), sheets(), rows,
                    changes);
        }

        private List<ImpactPreview> changes(Attribute attribute) {
            List<ImpactPreview> changes = new ArrayList<>();
            changes.add(foreseen("give it another name",
                    alter(attribute, new AttributeAspect.Name(attribute.name() + " new"))));
            SqlType other =
                    attribute.type() instanceof IntegerType(var size, boolean unsigned) && size != IntegerSize.BIGINT
                            ? new IntegerType(IntegerSize.BIGINT, unsigned) : SqlType.varchar(LONG);
            if (!other.equals(attribute.type())) {
                changes.add(foreseen("make it " + other.text(), alter(attribute, new AttributeAspect.Type(other))));
            }
            changes.add(foreseen(attribute.required() ? "let it be empty" : "require a value",
                    alter(attribute, new AttributeAspect.Required(!attribute.required()))));
            changes.add(foreseen("delete it", new Change.RemoveAttribute(id, attribute.id())));
            return changes;
        }

        private Change alter(Attribute attribute, AttributeAspect aspect) {
            return new Change.AlterAttribute(id, attribute.id(), aspect);
        }

        private List<String> sheets() {
            return design.sheets().stream().filter(sheet -> sheet.place(id).isPresent()).map(Sheet::name).toList();
        }

        private ImpactPreview foreseen(String words, Change change) {
            return ImpactPreview.of(design, derivation, held, dialect, words, change);
        }
    }
}
