package entaxis.core.syntax;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.expression.Expression;
import entaxis.core.schema.Deferral;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Numbering;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.statement.ColumnClause;
import entaxis.core.statement.ColumnDefinition;
import entaxis.core.statement.CreateTable;
import entaxis.core.statement.IndexDefinition;
import entaxis.core.statement.LikeTable;
import entaxis.core.schema.QualifiedName;
import entaxis.core.statement.Reference;
import entaxis.core.statement.ScriptStatement;
import entaxis.core.statement.SyntaxError;
import entaxis.core.statement.TableConstraint;
import entaxis.core.statement.TableElement;
import entaxis.core.statement.TypeName;
import entaxis.core.targets.Target;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** CREATE TABLE as records (ISO/IEC 9075-2, 11.3 to 11.9, and the engines' manuals), before anything is made of it. */
class CreateTableParserTest {

    private static ColumnDefinition column(Target engine, String text) {
        return (ColumnDefinition) Parsed.elements(engine, text).getFirst();
    }

    private static List<ColumnClause> clauses(Target engine, String text) {
        return column(engine, "a int " + text).clauses();
    }

    @Test
    void nameAndTypeOfAColumn() {
        ColumnDefinition column = column(Target.POSTGRESQL, "\"Seed count\" vault.\"Weight\"(9, 2)[] NOT NULL");
        assertThat(column.name()).isEqualTo("Seed count");
        assertThat(column.place()).isEqualTo("CREATE TABLE lot (".length());
        assertThat(column.type()).contains(new TypeName("vault", "Weight", "vault.\"Weight\"(9, 2)", "\"Weight\"(9, 2)",
                "Weight(9, 2)", false, 1));
        assertThat(column.clauses()).containsExactly(ColumnClause.NotNull.UNNAMED);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"double precision | DOUBLE", "character varying(60) | CHARACTER",
        "timestamp(3) with time zone | TIMESTAMP", "interval day to second(3) | INTERVAL", "national character(3) | N",
        "bit varying(4) | BIT"})
    void typesOfSeveralWordsAreReadWhole(String type, String any) {
        ColumnDefinition column = column(Target.POSTGRESQL, "a " + type + " DEFAULT NULL");
        assertThat(column.type().orElseThrow().spelling()).isEqualTo(type);
        assertThat(column.clauses()).containsExactly(new ColumnClause.Default(Expression.of("NULL")));
    }

    @Test
    void clausesStayInTheirOrder() {
        assertThat(clauses(Target.POSTGRESQL, "CONSTRAINT filled NOT NULL DEFAULT 1 + 2 CONSTRAINT few CHECK (a < 9)"))
                .containsExactly(new ColumnClause.NotNull("filled"), new ColumnClause.Default(Expression.of("1 + 2")),
                        new ColumnClause.Check("few", Expression.of("a < 9")));
        assertThat(clauses(Target.MYSQL, "unsigned NULL ON UPDATE now() COMMENT 'it''s' COLLATE utf8mb4_bin"))
                .containsExactly(new ColumnClause.Nullable(), new ColumnClause.OnUpdate(Expression.of("now()")),
                        new ColumnClause.Comment("it's"), new ColumnClause.Collation("utf8mb4_bin"));
    }

    @Test
    void columnsThatCount() {
        assertThat(clauses(Target.POSTGRESQL, "GENERATED ALWAYS AS IDENTITY (START WITH 5 INCREMENT BY 2)"))
                .containsExactly(new ColumnClause.Numbered(Identity.ALWAYS, Optional.of(new Numbering(5, 2))));
        assertThat(clauses(Target.SQLSERVER, "IDENTITY(7, 3)")).containsExactly(
                new ColumnClause.Numbered(Identity.ALWAYS, Optional.of(new Numbering(7, 3))));
        assertThat(clauses(Target.MYSQL, "AUTO_INCREMENT"))
                .containsExactly(new ColumnClause.AutoIncrement(Optional.empty()));
        assertThat(column(Target.MYSQL, "a SERIAL").serial()).isTrue();
    }

    @Test
    void computedColumns() {
        assertThat(clauses(Target.POSTGRESQL, "GENERATED ALWAYS AS (b * 2) STORED"))
                .containsExactly(new ColumnClause.Computed(Expression.of("b * 2"), false, Optional.empty()));
        ColumnDefinition untyped = column(Target.SQLSERVER, "a AS CAST(b * 2 AS bigint) PERSISTED");
        assertThat(untyped.type()).isEmpty();
        ColumnClause.Computed computed = (ColumnClause.Computed) untyped.clauses().getFirst();
        assertThat(computed.cast().orElseThrow().spelling()).isEqualTo("bigint");
        assertThat(computed.virtual()).isFalse();
    }

    @Test
    void references() {
        Reference reference = new Reference(new QualifiedName("vault", "shelf"), List.of("no"),
                ReferentialAction.SET_NULL, ReferentialAction.CASCADE, Deferral.INITIALLY_DEFERRED);
        String words = "REFERENCES vault.shelf (no) ON DELETE SET NULL ON UPDATE CASCADE "
                + "DEFERRABLE INITIALLY DEFERRED";
        List<TableElement> elements = Parsed.elements(Target.POSTGRESQL,
                "a int " + words + ", CONSTRAINT stands FOREIGN KEY (a) " + words);
        assertThat(((ColumnDefinition) elements.getFirst()).clauses())
                .containsExactly(new ColumnClause.References("", reference, "CREATE TABLE lot (a int ".length()));
        assertThat(elements.getLast()).isEqualTo(new TableConstraint.ForeignKey("stands", List.of("a"), reference,
                ("CREATE TABLE lot (a int " + words + ", CONSTRAINT stands ").length()));
    }

    @Test
    void keysOfATable() {
        List<TableElement> elements = Parsed.elements(Target.MYSQL,
                "PRIMARY KEY (a, b(10)), UNIQUE KEY u (a DESC), KEY k (b(5)), FULLTEXT INDEX f (c)");
        int begin = "CREATE TABLE lot (".length();
        assertThat(elements).containsExactly(
                new TableConstraint.PrimaryKey("", List.of("a", "b"), List.of(new IndexColumn("a", false),
                        new IndexColumn("b", false).beginning(OptionalInt.of(10))), begin),
                new TableConstraint.Unique("u", List.of("a"), List.of(new IndexColumn("a", true)),
                        begin + "PRIMARY KEY (a, b(10)), ".length()),
                new TableConstraint.Index(new IndexDefinition("k", false,
                        List.of(new IndexColumn("b", false).beginning(OptionalInt.of(5))), "", Optional.empty(),
                        List.of())),
                new TableConstraint.Index(new IndexDefinition("f", false, List.of(new IndexColumn("c", false)),
                        "fulltext", Optional.empty(), List.of())));
    }

    /** SQLite documentation, CREATE TABLE: constraints of a table may follow one another without commas. */
    @Test
    void constraintsWithoutCommas() {
        assertThat(Parsed.elements(Target.SQLITE, "a int, CHECK (a > 0) CONSTRAINT one UNIQUE (a) CHECK (a < 9), b i"))
                .extracting(element -> element.getClass().getSimpleName())
                .containsExactly("ColumnDefinition", "Check", "Unique", "Check", "ColumnDefinition");
    }

    @Test
    void whatIsTakenOverFromAnotherTable() {
        assertThat(Parsed.elements(Target.POSTGRESQL, "LIKE shelf INCLUDING ALL EXCLUDING INDEXES")).singleElement()
                .satisfies(element -> assertThat(((LikeTable) element).including()).isEqualTo(
                        Set.of("COMMENTS", "CONSTRAINTS", "DEFAULTS", "GENERATED", "IDENTITY")));
    }

    @Test
    void whereTheColumnsComeFrom() {
        assertThat(source(Target.MYSQL, "CREATE TABLE lot LIKE shelf")).isInstanceOf(CreateTable.CopyOf.class);
        assertThat(source(Target.POSTGRESQL, "CREATE TABLE lot PARTITION OF whole FOR VALUES FROM (1) TO (9)"))
                .isInstanceOf(CreateTable.PartitionOf.class);
        assertThat(source(Target.POSTGRESQL, "CREATE TABLE lot OF lot_type (PRIMARY KEY (a))"))
                .isInstanceOf(CreateTable.OfType.class);
        assertThat(source(Target.POSTGRESQL, "CREATE TABLE lot AS SELECT 1"))
                .isInstanceOf(CreateTable.OfQuery.class);
        assertThat(source(Target.SQLSERVER, "SELECT a INTO lot FROM shelf")).isInstanceOf(CreateTable.OfQuery.class);
        assertThat(((CreateTable.Elements) source(Target.POSTGRESQL, "CREATE TABLE lot () INHERITS (a, vault.b)"))
                .inherited()).extracting(name -> name.name().name()).containsExactly("a", "b");
    }

    private static CreateTable.Source source(Target engine, String script) {
        return ((CreateTable) Parsed.statement(engine, script)).source();
    }

    /** MySQL manual, “FOREIGN KEY Constraint Differences”. */
    @Test
    void optionsBehindTheBrackets() {
        CreateTable created = (CreateTable) Parsed.statement(Target.MYSQL,
                "CREATE TABLE IF NOT EXISTS lot (a int) ENGINE=MyISAM AUTO_INCREMENT=40 COMMENT='seeds'");
        assertThat(created.onlyIfAbsent()).isTrue();
        assertThat(created.options().comment()).contains("seeds");
        assertThat(created.options().firstNumber()).hasValue(40);
        assertThat(created.options().withoutReferences())
                .hasValue("CREATE TABLE IF NOT EXISTS lot (a int) ".length());
        assertThat(created.options().storage()).isTrue();
    }

    /** What is not understood is one element; the others stand. */
    @Test
    void anErrorIsOneElementOnly() {
        List<TableElement> elements = Parsed.elements(Target.POSTGRESQL, "a int, b, c int WRONG, d int");
        assertThat(elements).extracting(element -> element.getClass().getSimpleName())
                .containsExactly("ColumnDefinition", "SyntaxError", "ColumnDefinition", "SyntaxError",
                        "ColumnDefinition");
        assertThat(((SyntaxError) elements.get(1)).reason()).isEqualTo("the column b has no type");
        assertThat(((SyntaxError) elements.get(3)).excerpt()).isEqualTo("WRONG, d int)");
    }

    @Test
    void anErrorBehindTheBracketsLeavesTheTable() {
        ScriptStatement statement =
                Parsed.script(Target.POSTGRESQL, "CREATE TABLE lot (a int, PRIMARY KEY (a)) ENGINE=InnoDB").getFirst();
        assertThat(((CreateTable.Elements) ((CreateTable) statement.statement()).source()).elements()).hasSize(2);
        assertThat(statement.error()).hasValueSatisfying(
                error -> assertThat(error.excerpt()).startsWith("ENGINE"));
    }

    /** PostgreSQL manual, CREATE TABLE AS; DuckDB documentation, CREATE TABLE, “CREATE TABLE ... AS SELECT”. */
    @ParameterizedTest
    @EnumSource(value = Target.class, names = {"POSTGRESQL", "DUCKDB"})
    void aTableOfTheRowsOfAnother(Target engine) {
        CreateTable made = (CreateTable) Parsed.statement(engine, "CREATE TABLE copy AS SELECT * FROM vault.lot");
        assertThat(made.source()).isInstanceOfSatisfying(CreateTable.RowsOf.class,
                rows -> assertThat(rows.model().name()).isEqualTo(new QualifiedName("vault", "lot")));
        CreateTable some =
                (CreateTable) Parsed.statement(engine, "CREATE TABLE copy AS SELECT * FROM lot WHERE seeds > 3");
        assertThat(some.source()).isInstanceOf(CreateTable.OfQuery.class);
    }
}
