package entaxis.engines.postgresql;

import entaxis.core.schema.Hierarchy;
import entaxis.core.schema.PartitionBound;
import entaxis.core.schema.Partitioning;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Schema;
import entaxis.core.statement.CreateTable;
import entaxis.core.statement.ScriptStatement;
import entaxis.core.syntax.ScriptParser;
import entaxis.core.syntax.ScriptSyntax;
import entaxis.core.targets.Target;
import entaxis.engines.catalog.Catalog;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * What the tables of a PostgreSQL schema inherit from, and how they are partitioned (PostgreSQL manual, pg_inherits,
 * pg_partitioned_table and pg_class.relpartbound).
 */
final class PostgreSqlHierarchies {
    private static final String HIERARCHIES = """
            select c.relname, pg_get_expr(c.relpartbound, c.oid),
                   case when c.relkind = 'p' then pg_get_partkeydef(c.oid) end,
                   array(select p.relname::text from pg_inherits i join pg_class p on p.oid = i.inhparent
                         where i.inhrelid = c.oid order by i.inhseqno),
                   array(select case when p.relnamespace = c.relnamespace then '' else m.nspname::text end
                         from pg_inherits i join pg_class p on p.oid = i.inhparent
                         join pg_namespace m on m.oid = p.relnamespace where i.inhrelid = c.oid order by i.inhseqno)
            from pg_class c join pg_namespace n on n.oid = c.relnamespace
            where n.nspname = ? and c.relkind in ('r', 'p') and c.relpersistence <> 't'
                  and (c.relkind = 'p' or exists (select 1 from pg_inherits i where i.inhrelid = c.oid))""";

    private PostgreSqlHierarchies() { }

    /** A schema with what its tables inherit from. */
    static Schema told(Schema tables, Catalog catalog, String schema) throws SQLException {
        Map<String, Optional<Hierarchy>> hierarchies = new HashMap<>();
        catalog.each(HIERARCHIES, row -> hierarchies.put(row.getString(1), hierarchy(row)), schema);
        return tables.over(tables.tables().stream().map(table -> table.withHierarchy(
                hierarchies.getOrDefault(table.name(), Optional.of(Hierarchy.NONE)))).toList());
    }

    /** What one table inherits from; not told where its bound or key is not understood. */
    private static Optional<Hierarchy> hierarchy(ResultSet row) throws SQLException {
        String bound = Optional.ofNullable(row.getString(2)).orElse("");
        String key = Optional.ofNullable(row.getString(3)).orElse("");
        List<String> names = PostgreSqlCatalog.names(row.getArray(4));
        List<String> namespaces = PostgreSqlCatalog.names(row.getArray(5));
        List<QualifiedName> parents = IntStream.range(0, names.size())
                .mapToObj(i -> new QualifiedName(namespaces.get(i), names.get(i))).toList();
        Optional<CreateTable> created = created(bound, key);
        Optional<PartitionBound> rows = created.filter(table -> !bound.isEmpty())
                .flatMap(table -> table.source() instanceof CreateTable.PartitionOf of ? of.bound() : Optional.empty());
        Optional<Partitioning> by = created.flatMap(table -> table.options().partitioning());
        boolean understood = rows.isPresent() != bound.isEmpty() && by.isPresent() != key.isEmpty();
        return understood ? Optional.of(new Hierarchy(parents, rows, by)) : Optional.empty();
    }

    /** The statement that would make a table with such a bound and key, as the one grammar reads it. */
    private static Optional<CreateTable> created(String bound, String key) {
        String statement = "CREATE TABLE t " + (bound.isEmpty() ? "()" : "PARTITION OF w " + bound)
                + (key.isEmpty() ? "" : " PARTITION BY " + key);
        ScriptParser parser = new ScriptParser(statement, ScriptSyntax.of(Target.POSTGRESQL));
        boolean more = parser.next();
        return (more ? parser.statements() : List.<ScriptStatement>of()).stream().map(ScriptStatement::statement)
                .filter(CreateTable.class::isInstance).map(CreateTable.class::cast).findFirst();
    }
}
