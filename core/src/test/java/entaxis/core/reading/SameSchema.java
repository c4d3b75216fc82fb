package entaxis.core.reading;

import entaxis.core.expression.Expression;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.UniqueKey;
import entaxis.core.targets.Target;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.UnaryOperator;

/** Says how two schemas differ, element by element. */
public final class SameSchema {
    private boolean goesOn;
    private final boolean loosely;
    private final Target engine;
    private final List<String> differences = new ArrayList<>();

    private SameSchema(Target engine, boolean loosely) {
        this.engine = engine;
        this.loosely = loosely;
    }

    /** Every difference, down to the last word. */
    public static List<String> exactly(Schema wanted, Schema found, Target engine) {
        SameSchema same = new SameSchema(engine, false);
        same.compare(wanted, found);
        return same.differences;
    }

    /**
     * Differences but for what engines rewrite: the text of conditions and expressions, spaces, brackets, casts and
     * capitals in defaults, the order of constraints.
     */
    public static List<String> asTheCatalogSays(Schema wanted, Schema found, Target engine) {
        SameSchema same = new SameSchema(engine, true);
        same.compare(wanted, found);
        return same.differences;
    }

    /** As {@link #asTheCatalogSays}, going on after the first table that differs. */
    public static List<String> all(Schema wanted, Schema found, Target engine) {
        SameSchema same = new SameSchema(engine, true);
        same.goesOn = true;
        same.compare(wanted, found);
        return same.differences;
    }

    private void same(String what, Object wanted, Object found) {
        if (!wanted.equals(found)) {
            differences.add(what + ": wanted " + wanted + ", found " + found);
        }
    }

    private void compare(Schema wanted, Schema found) {
        same("types", sorted(wanted.types().stream().map(this::plain).toList(), TypeDefinition::name),
                sorted(found.types().stream().map(this::plain).toList(), TypeDefinition::name));
        List<Table> tables = sorted(wanted.tables(), Table::name);
        List<Table> others = sorted(found.tables(), Table::name);
        same("tables", tables.stream().map(Table::name).toList(), others.stream().map(Table::name).toList());
        for (int i = 0; i < Math.min(tables.size(), others.size()) && (goesOn || differences.isEmpty()); i++) {
            table(tables.get(i), others.get(i));
        }
    }

    private TypeDefinition plain(TypeDefinition asked) {
        // who may use a type is no part of what was written
        TypeDefinition type = (commented() && engine != Target.ORACLE ? asked : asked.withComment(""))
                .withGrants(Optional.empty());
        return loosely && type instanceof DomainDefinition domain
                ? domain.withDefault(domain.defaultValue().map(value -> value.worded(this::plain)))
                        .withCheck(domain.check().map(check -> new CheckRule(check.name(), ""))) : type;
    }

    private <T> List<T> sorted(List<T> list, Function<T, String> by) {
        return loosely ? list.stream().sorted(Comparator.comparing(by)).toList() : list;
    }

    private boolean commented() {
        return engine != Target.SQLITE && engine != Target.ISO;
    }

    private void table(Table wanted, Table found) {
        String name = wanted.name();
        same(name + " columns", wanted.columns().stream().map(Column::name).toList(),
                found.columns().stream().map(Column::name).toList());
        if (commented()) {
            same(name + " comment", wanted.comment(), found.comment());
        }
        for (int i = 0; i < Math.min(wanted.columns().size(), found.columns().size()); i++) {
            column(name, wanted.columns().get(i), found.columns().get(i));
        }
        same(name + " primary key", wanted.primaryKey(), found.primaryKey());
        boolean merged = engine == Target.MYSQL || engine == Target.MARIADB;
        same(name + " uniques", sorted(uniques(wanted, merged), UniqueKey::name),
                sorted(uniques(found, merged), UniqueKey::name));
        same(name + " checks", sorted(wanted.checks().stream().map(this::plain).toList(), CheckRule::name),
                sorted(found.checks().stream().map(this::plain).toList(), CheckRule::name));
        same(name + " references",
                sorted(wanted.foreignKeys().stream().map(SameSchema::plain).toList(), ForeignKey::name),
                sorted(found.foreignKeys().stream().map(SameSchema::plain).toList(),
                ForeignKey::name));
        same(name + " indexes", sorted(indexes(wanted, merged), TableIndex::name),
                sorted(indexes(found, merged), TableIndex::name));
    }

    private static boolean isKey(TableIndex index) {
        return index.unique()
                && index.columns().stream()
                        .allMatch(column -> !column.expression() && column.prefix().isEmpty() && !column.descending())
                && index.predicate().isEmpty();
    }

    private static List<UniqueKey> uniques(Table table, boolean merged) {
        List<UniqueKey> keys = new ArrayList<>(table.uniqueKeys());
        table.indexes().stream().filter(index -> merged && isKey(index)).forEach(index -> keys
                .add(new UniqueKey(index.name(), index.columns().stream().map(TableIndex.IndexColumn::name).toList())));
        return keys;
    }

    private List<TableIndex> indexes(Table table, boolean merged) {
        return table.indexes().stream().filter(index -> !(merged && isKey(index)))
                .filter(index -> !(merged && loosely && !index.unique() && table.foreignKeys().stream()
                        .anyMatch(key -> key.columns()
                                .equals(index.columns().stream().map(TableIndex.IndexColumn::name).toList()))))
                .map(index -> loosely ? new TableIndex(index.name(), index.unique(), index.columns().stream()
                        .map(column -> column.worded(UnaryOperator.identity(), one -> one.worded(this::plain)))
                        .toList(), index.method(), index.predicate().map(one -> Expression.of(""))) : index)
                .toList();
    }

    private CheckRule plain(CheckRule check) {
        return loosely ? new CheckRule(check.name(), "") : check;
    }

    private static ForeignKey plain(ForeignKey key) {
        // a script may name the default schema where the catalog leaves it out
        QualifiedName referenced = QualifiedName.isDefaultSchema(key.referenced().namespace())
                ? key.referenced().in("") : key.referenced();
        return new ForeignKey(key.name(), key.columns(), referenced, key.referencedColumns(),
                key.onDelete(), key.onUpdate(), key.deferral());
    }

    private void column(String table, Column wanted, Column found) {
        String name = table + "." + wanted.name();
        same(name + " type", wanted.type(), found.type());
        same(name + " required", wanted.required(), found.required());
        same(name + " default", wanted.defaultValue().map(one -> plain(one.text())),
                found.defaultValue().map(one -> plain(one.text())));
        same(name + " identity", wanted.identity(), found.identity());
        if (!loosely || engine == Target.POSTGRESQL || engine == Target.H2) {
            same(name + " numbering", wanted.numbering(), found.numbering());
        }
        boolean folded = loosely && (engine == Target.H2 || engine == Target.MARIADB);
        same(name + " generated", wanted.generated().map(one -> folded ? "" : plain(one.text())),
                found.generated().map(one -> folded ? "" : plain(one.text())));
        same(name + " details",
                loosely ? List.of(wanted.details().virtual(), wanted.details().onUpdate().map(one -> plain(one.text())))
                        : wanted.details(),
                loosely ? List.of(found.details().virtual(), found.details().onUpdate().map(one -> plain(one.text())))
                        : found.details());
        if (commented()) {
            same(name + " comment", wanted.comment(), found.comment());
        }
    }

    private String plain(String expression) {
        if (!loosely) {
            return expression;
        }
        String bare = expression.replace("public.", "").replaceAll("::[a-z_. ]+(\\([0-9, ]+\\))?(\\[\\])?", "");
        if (engine == Target.MARIADB && bare.matches("'[0-9.]+'|true|false")) {
            return bare.replace("'", "").replace("true", "1").replace("false", "0");
        }
        return bare.startsWith("'") ? bare : bare.toLowerCase(Locale.ROOT).replaceAll("[()\\s`\"]", "")
                .replace("curdate", "current_date").replace("curtime", "current_time");
    }
}
