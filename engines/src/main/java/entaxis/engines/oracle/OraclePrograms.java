package entaxis.engines.oracle;

import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.sql.Dialect;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.catalog.CatalogReader;
import entaxis.engines.catalog.FoldedName;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Views, routines and triggers (Oracle Database Reference, ALL_VIEWS, ALL_MVIEWS, ALL_SOURCE). */
final class OraclePrograms {
    private static final String VIEWS =
            "select v.view_name, v.text from all_views v where v.owner = ? order by v.view_name";
    private static final String STORED_VIEWS =
            "select v.mview_name, v.query from all_mviews v where v.owner = ? order by v.mview_name";
    private static final String SOURCES =
            "select s.type, s.name, s.text from all_source s where s.owner = ? and s.type in ('FUNCTION', 'PROCEDURE', "
                    + "'PACKAGE', 'PACKAGE BODY', 'TRIGGER')"
            + " order by s.type, s.name, s.line";

    private final CatalogReader reader;
    private final Dialect dialect;
    private final List<Program> programs = new ArrayList<>();

    OraclePrograms(CatalogReader reader) {
        this.reader = reader;
        this.dialect = Dialect.of(reader.engine());
    }

    private void add(ProgramKind kind, String name, String text) {
        programs.add(reader.program(kind, name, text));
    }

    /** What is kept of a source begins with its kind; the lines come one by one. */
    List<Program> read(Catalog catalog, String owner) throws SQLException {
        Map<List<String>, StringBuilder> sources = new LinkedHashMap<>();
        catalog.each(SOURCES, row -> sources
                .computeIfAbsent(List.of(row.getString(1), row.getString(2)), any -> new StringBuilder("CREATE "))
                .append(Catalog.text(row, 3)), owner);
        catalog.each(VIEWS, row -> {
            String name = FoldedName.of(row.getString(1));
            add(ProgramKind.VIEW, name, "CREATE VIEW " + dialect.name(name) + " AS " + row.getString(2));
        }, owner);
        catalog.each(STORED_VIEWS, row -> {
            String name = FoldedName.of(row.getString(1));
            add(ProgramKind.VIEW, name, "CREATE MATERIALIZED VIEW " + dialect.name(name) + " AS " + row.getString(2));
        }, owner);
        sources.forEach((id, text) -> programs.add(new Program(ProgramKind.valueOf(id.getFirst().split(" ")[0]), "",
                FoldedName.of(id.getLast()), reader.engine(), text.toString().strip())));
        return programs;
    }
}
