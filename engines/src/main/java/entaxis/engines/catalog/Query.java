package entaxis.engines.catalog;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;

/** Runs a query on a catalog and hands over each row of the answer. */
final class Query {
    private Query() { }

    /** What is done with a row. */
    interface RowUse {
        void use(ResultSet row) throws SQLException;
    }

    static void each(Connection connection, String query, RowUse use, String... parameters) throws SQLException {
        try (PreparedStatement statement = connection.prepareStatement(query)) {
            for (int i = 0; i < parameters.length; i++) {
                statement.setString(i + 1, parameters[i]);
            }
            try (ResultSet rows = statement.executeQuery()) {
                while (rows.next()) {
                    use.use(rows);
                }
            }
        }
    }

    /** A text that a driver may give as none, as an empty one. */
    static String orEmpty(String text) {
        return text == null ? "" : text;
    }

    /** A text that may be absent, as an empty one. */
    static String text(ResultSet row, int column) throws SQLException {
        return orEmpty(row.getString(column));
    }
}
