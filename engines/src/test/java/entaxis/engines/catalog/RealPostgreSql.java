package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.Target;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.type.SqlType;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.TypeReader;
import entaxis.core.type.TypeReading.Known;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Runs generated scripts on a real PostgreSQL and holds its catalog against the schema that they were made of. */
public final class RealPostgreSql {
    private static final Dialect DIALECT = Dialect.of(Target.POSTGRESQL);

    private RealPostgreSql() { }

    /** Runs the script of a design in a schema of its own and compares what the catalog then says. */
    public static void arrivesWhole(Connection connection, Design design, String name) throws SQLException {
        Schema derived = Derivation.of(design).schema();
        Script script = new ScriptWriter(DIALECT, new ScriptOptions(false, true, Optional.of(name))).write(derived, name);
        try (Statement statement = connection.createStatement()) {
            statement.execute(script.text());
        }
        Schema read = PostgreSqlCatalog.read(connection, name);
        List<Table> expected = derived.tables().stream().filter(table -> !table.columns().isEmpty()).map(RealPostgreSql::stored).toList();
        assertThat(read.types().stream().map(RealPostgreSql::comparable).toList()).as(name + " types").isEqualTo(derived.types().stream().map(RealPostgreSql::comparable).toList());
        assertThat(read.tables().stream().map(RealPostgreSql::comparable).toList()).as(name).usingRecursiveComparison().isEqualTo(expected);
    }

    /** A derived table as PostgreSQL holds it: names cut to its length, types of its own, and without what only the design knows. */
    private static Table stored(Table table) {
        List<Column> columns = table.columns().stream().map(column -> new Column(Optional.empty(), DIALECT.stored(column.name()), storedType(column.type()),
                column.required(), column.defaultValue(), column.identity(), column.numbering(), column.generated(), column.comment())).toList();
        return comparable(new Table(Optional.empty(), DIALECT.stored(table.name()), columns,
                table.primaryKey().map(key -> new PrimaryKey(DIALECT.stored(key.name()), stored(key.columns()))),
                table.uniqueKeys().stream().map(key -> new UniqueKey(DIALECT.stored(key.name()), stored(key.columns()))).toList(),
                table.checks().stream().map(check -> new CheckRule(DIALECT.stored(check.name()), "")).toList(),
                table.foreignKeys().stream().map(key -> new ForeignKey(Optional.empty(), DIALECT.stored(key.name()), stored(key.columns()),
                        DIALECT.stored(key.referencedTable()), stored(key.referencedColumns()), key.onDelete(), key.onUpdate())).toList(),
                table.indexes().stream().map(index -> new TableIndex(DIALECT.stored(index.name()), index.unique(),
                        index.columns().stream().map(column -> new IndexColumn(DIALECT.stored(column.name()), column.descending())).toList())).toList(), table.comment()));
    }

    /** Constraints in the order of their names, checks by name only: the engine rewrites their text, and adds its own for unsigned numbers. */
    private static Table comparable(Table table) {
        List<Column> columns = table.columns().stream().map(column -> new Column(column.origin(), column.name(), column.type(), column.required(),
                column.defaultValue().map(RealPostgreSql::plainDefault), column.identity(), column.numbering(), column.generated().map(RealPostgreSql::plainExpression),
                column.comment())).toList();
        return new Table(Optional.empty(), table.name(), columns, table.primaryKey(),
                table.uniqueKeys().stream().sorted(Comparator.comparing(UniqueKey::name)).toList(),
                table.checks().stream().filter(check -> !check.name().matches(".*_check\\d*")).map(check -> new CheckRule(check.name(), ""))
                        .sorted(Comparator.comparing(CheckRule::name)).toList(),
                table.foreignKeys().stream().sorted(Comparator.comparing(ForeignKey::name)).toList(),
                table.indexes().stream().sorted(Comparator.comparing(TableIndex::name)).toList(), table.comment());
    }

    private static TypeDefinition comparable(TypeDefinition type) {
        return type instanceof DomainDefinition domain ? new DomainDefinition(domain.name(), domain.base(), domain.defaultValue(),
                domain.check().map(check -> new CheckRule(check.name(), "")), domain.comment()) : type;
    }

    private static String plainExpression(String expression) {
        return expression.replaceAll("[()\\s]", "").toLowerCase(Locale.ROOT);
    }

    private static List<String> stored(List<String> names) {
        return names.stream().map(DIALECT::stored).toList();
    }

    /** What format_type says of a type written by the dialect (PostgreSQL manual, table 8.1, aliases): char is char(1), numeric(6) is numeric(6,0). */
    private static SqlType storedType(SqlType type) {
        if (type instanceof UserType) {
            return type;
        }
        String spelled = DIALECT.type(type).replaceFirst("^numeric\\((\\d+)\\)$", "numeric($1,0)");
        return ((Known) TypeReader.read(spelled)).type();
    }

    /** The engine adds a cast to a text literal and writes key words in capitals; the value itself must be the same. */
    private static String plainDefault(String expression) {
        String plain = expression.replaceFirst("^('(?:[^']|'')*')::[a-z_. ]+$", "$1");
        return plain.startsWith("'") ? plain : plain.toLowerCase(java.util.Locale.ROOT);
    }
}
