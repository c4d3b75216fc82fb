package entaxis.engines.catalog;

import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.Schema;
import entaxis.core.targets.Target;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;

/** Reads the catalog of one engine. Registered in {@code META-INF/services}. */
public interface CatalogReader {
    /** The engine. */
    Target engine();

    /**
     * The schema that a connection looks at where none is named.
     *
     * @throws SQLException if the engine cannot be asked
     */
    String usualSchema(Connection connection) throws SQLException;

    /** A schema that is named, as the catalog spells it. */
    default String schemaName(String given) {
        return given;
    }

    /**
     * The types, sequences and tables of a schema.
     *
     * @throws SQLException if the catalog cannot be read
     */
    Schema tables(Catalog catalog, String schema) throws SQLException;

    /**
     * The views, routines and triggers of a schema as the engine words them, in the order in which they were made.
     *
     * @throws SQLException if the catalog cannot be read
     */
    List<Program> programs(Catalog catalog, String schema) throws SQLException;

    /** A view, routine or trigger of the engine, without what ends its statement. */
    default Program program(ProgramKind kind, String name, String text) {
        return new Program(kind, "", name, engine(), text.strip().replaceFirst(";$", ""));
    }
}
