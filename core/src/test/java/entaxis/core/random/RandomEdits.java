package entaxis.core.random;

import entaxis.core.expression.Expression;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.reconcile.SchemaRenaming;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Identity;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.Dialect;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeReader;
import entaxis.core.type.TypeReading.Known;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;

/**
 * Changes to a schema by chance, the same for the same seed.
 *
 * @param schema  the schema behind the changes
 * @param pairing what got a new name
 */
public record RandomEdits(Schema schema, RenameMap pairing) {

    /** A schema in ISO words with so many changes. */
    public static RandomEdits of(Schema schema, long seed, int edits) {
        return new Run(schema, seed).edit(edits);
    }

    /** The new names as an engine holds them. */
    public RenameMap pairing(Dialect dialect) {
        RenameMap held = RenameMap.NONE;
        for (Map.Entry<String, String> table : pairing.tables().entrySet()) {
            held = held.withTable(dialect.stored(table.getKey()), dialect.stored(table.getValue()));
        }
        for (Map.Entry<String, Map<String, String>> table : pairing.columns().entrySet()) {
            for (Map.Entry<String, String> column : table.getValue().entrySet()) {
                held = held.withColumn(dialect.stored(table.getKey()), dialect.stored(column.getKey()),
                        dialect.stored(column.getValue()));
            }
        }
        return held;
    }

    private static final class Run {
        private static final List<String> TYPES = List.of("varchar(40)", "varchar(80)", "char(5)", "text", "integer",
                "smallint", "bigint", "numeric(9,2)", "numeric(12,4)", "boolean", "date",
                "timestamp(3)", "double precision");
        private final Random random;
        private final Map<String, Table> tables = new java.util.LinkedHashMap<>();
        private final List<TypeDefinition> types;
        private final Schema start;
        private final Map<String, String> tableNames = new HashMap<>();
        private final Map<String, Map<String, String>> columnNames = new HashMap<>();
        private int next;

        Run(Schema schema, long seed) {
            this.random = new Random(seed);
            this.start = schema;
            this.types = new ArrayList<>(schema.types());
            schema.tables().forEach(table -> tables.put(table.name(), table));
        }

        RandomEdits edit(int edits) {
            for (int i = 0; i < edits && !tables.isEmpty(); i++) {
                one();
            }
            Schema changed =
                    consistent(new Schema(types, start.sequences(), List.copyOf(tables.values()), start.programs()));
            RenameMap pairing = names(changed);
            return new RandomEdits(SchemaRenaming.apply(changed, pairing, Dialect.of(entaxis.core.targets.Target.ISO)),
                    pairing);
        }

        private RenameMap names(Schema schema) {
            RenameMap pairing = RenameMap.NONE;
            for (Table table : schema.tables()) {
                boolean old = start.table(table.name()).isPresent();
                String wanted = table.name();
                if (old && random.nextInt(6) == 0) {
                    wanted = "renamed_" + next++;
                    pairing = pairing.withTable(table.name(), wanted);
                }
                for (Column column : table.columns()) {
                    boolean known =
                            old && start.table(table.name()).flatMap(own -> own.column(column.name())).isPresent();
                    if (known && random.nextInt(12) == 0) {
                        pairing = pairing.withColumn(wanted, column.name(), "col_" + next++);
                    }
                }
            }
            return pairing;
        }

        private <T> T pick(List<T> list) {
            return list.get(random.nextInt(list.size()));
        }

        private SqlType type() {
            return ((Known) TypeReader.read(pick(TYPES))).type();
        }

        private Column column(String name) {
            SqlType type = type();
            boolean required = random.nextInt(3) == 0;
            Optional<String> value =
                    type instanceof SqlType.IntegerType && random.nextBoolean() ? Optional.of("3") : Optional.empty();
            return Column.of(name, type).withRequired(required).withDefault(value.map(Expression::of))
                    .withComment(random.nextInt(4) == 0 ? "new here" : "");
        }

        private void one() {
            String name = pick(List.copyOf(tables.keySet()));
            Table table = tables.get(name);
            List<Column> columns = new ArrayList<>(table.columns());
            int at = random.nextInt(columns.size());
            Column column = columns.get(at);
            int kind = random.nextInt(17);
            switch (kind) {
                case 0 -> columns.add(random.nextInt(columns.size() + 1), column("fresh_" + next++));
                case 1 -> columns.add(column("fresh_" + next++));
                case 2 -> {
                    if (columns.size() > 2) {
                        columns.remove(at);
                    }
                }
                case 3 ->
                        columns.set(at, plain(column) ? column.withType(type()).withDefault(Optional.empty()) : column);
                case 4 -> columns.set(at, column.generated().isEmpty() && column.identity() == Identity.NONE
                        ? column.withRequired(!column.required()) : column);
                case 5 ->
                        columns.set(at,
                                plain(column) && column.type() instanceof SqlType.IntegerType ? column.withDefault(
                                        column.defaultValue().isPresent() ? Optional.empty()
                                                : Optional.of(Expression.of("11")))
                                        : column);
                case 6 -> columns.set(at, column.withComment(column.comment().isEmpty() ? "it's said now" : ""));
                case 7 -> {
                    if (tables.size() > 2 && random.nextBoolean()) {
                        tables.remove(name);
                        return;
                    }
                }
                case 8 -> {
                    String fresh = "table_" + next++;
                    tables.put(fresh, fresh(fresh));
                    return;
                }
                case 9, 10, 11, 12, 13, 14, 15 -> {
                    constraint(kind, table, columns, column);
                    return;
                }
                default -> {
                    types();
                    return;
                }
            }
            tables.put(name, with(table, columns, table.primaryKey(), table.uniqueKeys(), table.checks(),
                    table.foreignKeys(), table.indexes()));
        }

        private void constraint(int kind, Table table, List<Column> columns, Column column) {
            String name = table.name();
            switch (kind) {
                case 9 -> {
                    tables.put(name,
                            with(table, columns, table.primaryKey(),
                                    added(table.uniqueKeys(),
                                            new UniqueKey("uq_" + table.name().hashCode() + "_" + next++,
                                                    List.of(column.name())),
                                            keyable(column)),
                            table.checks(), table.foreignKeys(), table.indexes()));
                }
                case 10 -> {
                    tables.put(name,
                            with(table, columns, table.primaryKey(),
                                    table.uniqueKeys().isEmpty() ? List.of()
                                            : table.uniqueKeys().subList(1, table.uniqueKeys().size()),
                                    table.checks(),
                            table.foreignKeys(), table.indexes()));
                }
                case 11 -> {
                    boolean number = plain(column) && column.type() instanceof SqlType.IntegerType
                            && column.name().matches("[a-z_0-9]+");
                    tables.put(name,
                            with(table, columns, table.primaryKey(), table.uniqueKeys(), added(table.checks(),
                                    new CheckRule("ck_new_" + next++, column.name() + " between 1 and 900"), number),
                            table.foreignKeys(), table.indexes()));
                }
                case 12 -> {
                    tables.put(name,
                            with(table, columns, table.primaryKey(), table.uniqueKeys(),
                                    table.checks().isEmpty() ? List.of()
                                            : table.checks().subList(1, table.checks().size()),
                            table.foreignKeys(), table.indexes()));
                }
                case 13 -> {
                    tables.put(name, with(table, columns, table.primaryKey(), table.uniqueKeys(), table.checks(),
                            table.foreignKeys(), added(table.indexes(), new TableIndex("ix_new_" + next++,
                                    random.nextInt(4) == 0,
                                    List.of(new IndexColumn(column.name(), random.nextBoolean()))), keyable(column))));
                }
                case 14 -> {
                    tables.put(name,
                            with(table, columns, table.primaryKey(), table.uniqueKeys(), table.checks(),
                                    table.foreignKeys().isEmpty() ? List.of()
                                            : table.foreignKeys().subList(0, table.foreignKeys().size() - 1),
                                    table.indexes().isEmpty() ? List.of()
                                            : table.indexes().subList(1, table.indexes().size())));
                }
                default -> {
                    reference(name, table);
                }
            }
        }

        private void types() {
            for (int i = 0; i < types.size(); i++) {
                if (random.nextInt(3) == 0) {
                    types.set(i, switch (types.get(i)) {
                        case DomainDefinition domain -> domain
                                .withDefault(random.nextBoolean() ? Optional.of(Expression.of("4"))
                                        : domain.defaultValue())
                                .withCheck(random.nextBoolean() ? Optional.of(new CheckRule("ck_" + domain.name() + "_"
                                        + next++, "value >= 0 and value < 5000")) : domain.check())
                                .withComment("changed");
                        case EnumDefinition enumeration -> {
                            List<String> values = new ArrayList<>(enumeration.values());
                            values.add(random.nextInt(values.size() + 1), "value " + next++);
                            if (random.nextInt(3) == 0) {
                                values.remove(0);
                            }
                            yield enumeration.with(values);
                        }
                        case StructureDefinition structure -> structure;
                    });
                }
            }
        }

        private Table fresh(String name) {
            List<Column> columns = new ArrayList<>(List.of(Column.of("id", SqlType.integer())
                    .withRequired(true).withIdentity(Identity.BY_DEFAULT, Optional.empty())));
            for (int i = 0; i < 3; i++) {
                columns.add(column("field_" + i));
            }
            return Table.of(name).withColumns(columns)
                    .withPrimaryKey(Optional.of(new PrimaryKey("pk_" + name, List.of("id"))));
        }

        private void reference(String name, Table table) {
            Table other = tables.get(pick(List.copyOf(tables.keySet())));
            if (other.keyColumns().size() != 1 || other == table
                    || other.column(other.keyColumns().getFirst()).isEmpty()) {
                return;
            }
            Column key = other.column(other.keyColumns().getFirst()).orElseThrow();
            String column = "ref_" + next++;
            List<Column> columns = new ArrayList<>(table.columns());
            columns.add(Column.of(column, key.type()));
            List<ForeignKey> keys = new ArrayList<>(table.foreignKeys());
            keys.add(ForeignKey.of("fk_new_" + next++, List.of(column), other.qualifiedName(),
                    List.of(key.name())));
            tables.put(name, with(table, columns, table.primaryKey(), table.uniqueKeys(), table.checks(), keys,
                    table.indexes()));
        }

        private static boolean plain(Column column) {
            return column.generated().isEmpty() && column.identity() == Identity.NONE
                    && !(column.type() instanceof SqlType.UserType);
        }

        private static boolean keyable(Column column) {
            return plain(column) && !(column.type() instanceof SqlType.CharacterType(SqlType.Form form, var length)
                    && form == SqlType.Form.LARGE);
        }

        private static <T> List<T> added(List<T> list, T item, boolean add) {
            List<T> more = new ArrayList<>(list);
            if (add) {
                more.add(item);
            }
            return more;
        }

        private static Table with(Table table, List<Column> columns, Optional<PrimaryKey> key, List<UniqueKey> uniques,
                List<CheckRule> checks, List<ForeignKey> references, List<TableIndex> indexes) {
            return table.withColumns(columns).withKeys(key, uniques).withChecks(checks).referring(references)
                    .withIndexes(indexes);
        }

        /**
         * Takes away what speaks of columns that are gone or of another type, and gives referring columns the type of
         * the key again.
         */
        private Schema consistent(Schema schema) {
            Map<String, Table> now = new java.util.LinkedHashMap<>();
            for (Table table : schema.tables()) {
                Set<String> there = new HashSet<>(table.columns().stream().map(Column::name).toList());
                Set<String> odd = new HashSet<>();
                for (Column column : start.table(table.name()).map(Table::columns).orElse(List.of())) {
                    Optional<Column> own = table.column(column.name());
                    if (own.isEmpty() || !own.get().type().equals(column.type())) {
                        odd.add(column.name().toLowerCase(Locale.ROOT));
                    }
                }
                Optional<PrimaryKey> key = table.primaryKey().filter(own -> there.containsAll(own.columns()) && own
                        .columns().stream().allMatch(name -> table.column(name).map(Run::storable).orElse(false)));
                List<UniqueKey> uniques = table.uniqueKeys().stream()
                        .filter(own -> there.containsAll(own.columns())
                                && own.columns().stream().allMatch(name -> storable(table.column(name).orElseThrow())))
                        .toList();
                List<CheckRule> checks = table.checks().stream()
                        .filter(own -> own.condition().columns().stream().noneMatch(odd::contains)).toList();
                List<TableIndex> indexes = table.indexes().stream().filter(own -> own.columns().stream().allMatch(
                        part -> there.contains(part.name()) && storable(table.column(part.name()).orElseThrow())))
                        .toList();
                now.put(table.name(), with(table, table.columns(), key, uniques, checks, table.foreignKeys(), indexes));
            }
            boolean more = true;
            Map<String, Table> fixed = now;
            while (more) {
                Map<String, Table> last = fixed;
                Map<String, Table> better = new java.util.LinkedHashMap<>();
                last.values().forEach(table -> better.put(table.name(), references(table, last)));
                more = !better.equals(last);
                fixed = better;
            }
            return new Schema(schema.types(), schema.sequences(), List.copyOf(fixed.values()), schema.programs());
        }

        private static boolean storable(Column column) {
            return !(column.type() instanceof SqlType.CharacterType(SqlType.Form form, var length)
                    && form == SqlType.Form.LARGE) && !(column.type() instanceof SqlType.BooleanType);
        }

        private static Table references(Table table, Map<String, Table> tables) {
            List<ForeignKey> keys = new ArrayList<>();
            for (ForeignKey key : table.foreignKeys()) {
                Table other = tables.get(key.referencedTable());
                boolean stands =
                        other != null && key.columns().stream().allMatch(name -> table.column(name).isPresent())
                                && (other.keyColumns().equals(key.referencedColumns()) || other.uniqueKeys().stream()
                                        .anyMatch(own -> own.columns().equals(key.referencedColumns())));
                boolean alike = stands;
                for (int i = 0; alike && i < key.columns().size(); i++) {
                    alike = table.column(key.columns().get(i)).orElseThrow().type()
                            .equals(other.column(key.referencedColumns().get(i)).orElseThrow().type());
                }
                if (alike) {
                    keys.add(key);
                }
            }
            return keys.size() == table.foreignKeys().size() ? table : with(table, table.columns(), table.primaryKey(),
                    table.uniqueKeys(), table.checks(), keys, table.indexes());
        }
    }
}
