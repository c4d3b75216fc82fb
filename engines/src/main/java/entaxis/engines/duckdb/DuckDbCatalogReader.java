package entaxis.engines.duckdb;

import entaxis.core.schema.ObjectComment;
import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.Schema;
import entaxis.core.targets.Target;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.catalog.CatalogReader;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The catalog of DuckDB. */
public class DuckDbCatalogReader implements CatalogReader {
    /** DuckDB documentation, “Metadata Functions”. */
    private static final String OF_SCHEMA =
            " where database_name = current_database() and schema_name = ? and not internal and comment is not null ";
    private static final String VIEWS = "select view_name, sql from duckdb_views() where database_name = "
            + "current_database() and schema_name = ? and not internal and not temporary order by view_oid";
    /** Comments of the views, without the name of a column, before those of columns, also of tables. */
    private static final String COMMENTS = "select view_name, '', comment, 0 as place from duckdb_views()" + OF_SCHEMA
            + "union all select table_name, column_name, comment, column_index from duckdb_columns()" + OF_SCHEMA
            + "order by place";

    @Override
    public Target engine() {
        return Target.DUCKDB;
    }

    @Override
    public String usualSchema(Connection connection) throws SQLException {
        return connection.getSchema();
    }

    @Override
    public Schema tables(Catalog catalog, String schema) throws SQLException {
        return DuckDbCatalog.read(catalog, schema);
    }

    @Override
    public List<Program> programs(Catalog catalog, String schema) throws SQLException {
        Map<String, List<ObjectComment>> comments = new HashMap<>();
        catalog.each(COMMENTS, row -> comments.computeIfAbsent(row.getString(1), view -> new ArrayList<>())
                .add(new ObjectComment(row.getString(2), row.getString(3))), schema, schema);
        List<Program> programs = new ArrayList<>();
        catalog.each(VIEWS, row -> programs.add(program(ProgramKind.VIEW, row.getString(1), row.getString(2))
                .withComments(comments.getOrDefault(row.getString(1), List.of()))), schema);
        return programs;
    }
}
