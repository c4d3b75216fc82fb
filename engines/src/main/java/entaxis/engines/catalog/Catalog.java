package entaxis.engines.catalog;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;

/** A catalog that queries are put to, and who hears how many rows came back. */
public final class Catalog {
    private static final int PROGRESS_INTERVAL = 256;
    private final Connection connection;
    private final CatalogProgress progress;
    private long rows;

    /** A catalog that a connection leads to. */
    public Catalog(Connection connection, CatalogProgress progress) {
        this.connection = connection;
        this.progress = progress;
    }

    /** One whose reading nobody follows. */
    public static Catalog of(Connection connection) {
        return new Catalog(connection, CatalogProgress.NONE);
    }

    /** What is done with a row. */
    public interface RowUse {
        /** Takes what a row says. */
        void use(ResultSet row) throws SQLException;
    }

    /** Puts a query and hands over each row of the answer. */
    public void each(String query, RowUse use, String... parameters) throws SQLException {
        try (PreparedStatement statement = connection.prepareStatement(query)) {
            for (int i = 0; i < parameters.length; i++) {
                statement.setString(i + 1, parameters[i]);
            }
            try (ResultSet answer = statement.executeQuery()) {
                while (answer.next()) {
                    if (rows++ % PROGRESS_INTERVAL == 0 && !progress.at(rows)) {
                        throw new SQLException("reading was stopped");
                    }
                    use.use(answer);
                }
            }
        }
    }

    /** The database that is connected to, as the driver names it; empty if it does not. */
    public String database() throws SQLException {
        return orEmpty(connection.getCatalog());
    }

    /** A text that a driver may give as none, as an empty one. */
    public static String orEmpty(String text) {
        return text == null ? "" : text;
    }

    /** A text that may be absent, as an empty one. */
    public static String text(ResultSet row, int column) throws SQLException {
        return orEmpty(row.getString(column));
    }
}
