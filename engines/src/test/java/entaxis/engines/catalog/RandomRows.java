package entaxis.engines.catalog;

import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.sql.CreationOrder;
import entaxis.core.sql.Dialect;
import entaxis.core.type.SqlType;
import entaxis.core.type.SqlType.IntegerType;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;

/** Rows made by chance for the tables of a schema; a row that the engine refuses is left out. */
final class RandomRows {
    private static final int ROWS = 3;
    private final Connection connection;
    private final Dialect dialect;
    private final Random random;
    private final Map<String, Map<String, String>> firstRows = new HashMap<>();

    RandomRows(Connection connection, Dialect dialect, long seed) {
        this.connection = connection;
        this.dialect = dialect;
        this.random = new Random(seed);
    }

    /** Puts rows in, those that are referred to first. */
    void fill(Schema schema) throws SQLException {
        Map<String, TypeDefinition> types = new HashMap<>();
        schema.types().forEach(type -> types.put(type.name(), type));
        try (Statement statement = connection.createStatement()) {
            for (Table table : new CreationOrder(schema.tables()).tables()) {
                for (int row = 0; row < ROWS; row++) {
                    put(statement, table, types, row);
                }
            }
        }
    }

    private void put(Statement statement, Table table, Map<String, TypeDefinition> types, int row) {
        Map<String, String> values = new HashMap<>();
        List<String> names = new ArrayList<>();
        for (Column column : table.columns()) {
            if (column.generated().isPresent() || column.identity() != Identity.NONE) {
                continue;
            }
            Optional<String> value = value(column.type(), types, row);
            boolean given = value.isPresent() && (column.required() || random.nextInt(5) > 0);
            if (given) {
                names.add(column.name());
                values.put(column.name(), value.get());
            }
        }
        for (ForeignKey key : table.foreignKeys()) {
            Map<String, String> parent = firstRows.getOrDefault(key.referencedTable(), Map.of());
            for (int i = 0; i < key.columns().size(); i++) {
                String column = key.columns().get(i);
                String wanted = parent.get(key.referencedColumns().get(i));
                if (wanted != null && values.containsKey(column)) {
                    values.put(column, wanted);
                } else if (wanted == null && table.column(column).map(own -> !own.required()).orElse(false)) {
                    values.remove(column);
                    names.remove(column);
                }
            }
        }
        if (names.isEmpty()) {
            return;
        }
        String columns = names.stream().map(dialect::name).reduce((one, other) -> one + ", " + other).orElseThrow();
        String list = names.stream().map(values::get).reduce((one, other) -> one + ", " + other).orElseThrow();
        try {
            statement.execute("INSERT INTO " + dialect.name(table.name()) + " (" + columns + ") VALUES (" + list + ")");
            Map<String, String> whole = new HashMap<>(values);
            table.columns().stream().filter(column -> column.identity() != Identity.NONE)
                    .forEach(column -> whole.put(column.name(),
                            String.valueOf(column.numbering().map(Identity -> Identity.start()).orElse(1L))));
            firstRows.putIfAbsent(table.name(), whole);
        } catch (SQLException refused) {
            firstRows.putIfAbsent("refused " + table.name(), Map.of());
        }
    }

    private Optional<String> value(SqlType type, Map<String, TypeDefinition> types, int row) {
        return switch (type) {
            case SqlType.CharacterType text -> Optional.of("'" + "abcde".charAt(random.nextInt(5)) + row + "'");
            case IntegerType number -> Optional.of(String.valueOf(row * 10 + random.nextInt(5) + 1));
            case SqlType.DecimalType number -> Optional.of(row + 1 + (number.scale().orElse(0) > 1 ? ".25" : ""));
            case SqlType.FloatType number -> Optional.of(row + ".5");
            case SqlType.BooleanType truth -> Optional.of(random.nextBoolean() ? "true" : "false");
            case SqlType.DateType date -> Optional.of("'2026-03-0" + (row + 1) + "'");
            case SqlType.TimeType time -> Optional.of("'10:20:3" + row + "'");
            case SqlType.TimestampType moment -> Optional.of("'2026-03-0" + (row + 1) + " 10:20:30'");
            case SqlType.UuidType uuid -> Optional.of("'" + new UUID(7, random.nextInt(100)) + "'");
            case SqlType.EnumType listed ->
                    Optional.of(dialect.literal(listed.values().get(random.nextInt(listed.values().size()))));
            case SqlType.UserType user -> switch (types.get(user.name())) {
                case DomainDefinition domain -> value(domain.base(), types, row);
                case EnumDefinition listed ->
                        Optional.of(dialect.literal(listed.values().get(random.nextInt(listed.values().size()))));
                case null, default -> Optional.empty();
            };
            default -> Optional.empty();
        };
    }
}
