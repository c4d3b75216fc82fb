package entaxis.engines.sandbox;

import entaxis.engines.trial.StatementOutcome;
import java.lang.reflect.Proxy;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.SQLFeatureNotSupportedException;
import java.sql.Statement;
import java.sql.Types;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.h2.tools.SimpleResultSet;

/**
 * A sandbox behind the JDBC interfaces, as far as catalogs are read and migrations run through them. Values come as
 * texts, which the result set converts.
 */
final class SandboxConnection {
    private SandboxConnection() { }

    static Connection to(Sandbox sandbox) {
        return proxy(Connection.class, (method, arguments) -> switch (method) {
            case "createStatement" -> statement(sandbox);
            case "prepareStatement" -> prepared(sandbox, (String) arguments[0]);
            case "getCatalog" -> "TRIAL";
            case "getSchema" -> "PUBLIC";
            case "isClosed" -> !sandbox.alive();
            case "close", "getMetaData" -> null;
            default -> throw missing(method);
        });
    }

    private static Statement statement(Sandbox sandbox) {
        return proxy(Statement.class, (method, arguments) -> switch (method) {
            case "execute" -> {
                run(sandbox, (String) arguments[0]);
                yield false;
            }
            case "executeUpdate" -> {
                run(sandbox, (String) arguments[0]);
                yield 0;
            }
            case "executeQuery" -> rows(sandbox.read((String) arguments[0], List.of()));
            case "setQueryTimeout", "close", "cancel" -> null;
            default -> throw missing(method);
        });
    }

    private static PreparedStatement prepared(Sandbox sandbox, String sql) {
        Map<Integer, String> parameters = new TreeMap<>();
        return proxy(PreparedStatement.class, (method, arguments) -> switch (method) {
            case "setString" -> {
                parameters.put((Integer) arguments[0], (String) arguments[1]);
                yield null;
            }
            case "executeQuery" -> rows(sandbox.read(sql, List.copyOf(parameters.values())));
            case "close" -> null;
            default -> throw missing(method);
        });
    }

    private static void run(Sandbox sandbox, String sql) throws SQLException {
        StatementOutcome outcome = sandbox.run(sql);
        if (!outcome.accepted()) {
            throw new SQLException(outcome.message());
        }
    }

    private static ResultSet rows(Sandbox.Table table) {
        SimpleResultSet result = new SimpleResultSet();
        table.columns().forEach(column -> result.addColumn(column, Types.VARCHAR, 0, 0));
        table.rows().forEach(row -> result.addRow(row.stream().map(cell -> cell.orElse(null)).toArray()));
        return result;
    }

    private static SQLException missing(String method) {
        return new SQLFeatureNotSupportedException("a sandbox does not know “" + method + "”");
    }

    private interface Calls {
        Object on(String method, Object[] arguments) throws SQLException;
    }

    private static <T> T proxy(Class<T> type, Calls calls) {
        return type.cast(Proxy.newProxyInstance(SandboxConnection.class.getClassLoader(), new Class<?>[] {type},
                (proxy, method, arguments) -> calls.on(method.getName(),
                        Optional.ofNullable(arguments).orElse(new Object[0]))));
    }
}
