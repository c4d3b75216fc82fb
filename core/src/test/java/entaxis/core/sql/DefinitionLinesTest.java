package entaxis.core.sql;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.AttributeAspect;
import entaxis.core.change.Change;
import entaxis.core.derive.Derivation;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Domain;
import entaxis.core.design.Index;
import entaxis.core.design.NamedCheck;
import entaxis.core.design.NamedType;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.TypeId;
import entaxis.core.expression.Expression;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.small.Small;
import entaxis.core.targets.Target;
import entaxis.core.type.TypeNames;
import entaxis.core.type.TypeReader;
import entaxis.core.type.TypeReading.Known;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class DefinitionLinesTest {
    private static final TypeId ID = new TypeId("t1");

    @ParameterizedTest
    @ValueSource(strings = {"domain seed_count as integer default 0 check (value >= 0)", "domain label as varchar(20)",
            "type state as enum ('dry', 'it''s cold')",
        "type map_spot as (lat numeric(8,5), lon numeric(8,5))"})
    void definitionsAreWrittenAsTheyAreRead(String text) {
        NamedType type =
                ((TypeLineReader.Defined) TypeLineReader.read("create " + text + ";", ID, TypeNames.NONE)).type();
        assertThat(TypeLineReader.text(new Small().done(new Change.PutType(type)).design(), type)).isEqualTo(text);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|',
            value = {"colour as enum ('a')|begins with domain or type", "domain x as seed|not a type known",
                    "type t as enum (a)|no text in single quotes",
                    "type t as enum ('a'|not closed", "type t (lat)|not understood", "type|name is missing",
                    "domain d as integer primary key|said at the attribute"})
    void whatIsNoDefinitionIsSaid(String text, String message) {
        assertThat(((TypeLineReader.NotDefined) TypeLineReader.read(text, ID, TypeNames.NONE)).message())
                .contains(message);
    }

    @Test
    void changingADomainChangesEveryColumn() {
        Small small = new Small();
        small.done(new Change.PutType(((TypeLineReader.Defined) TypeLineReader
                .read("domain amount as integer check (value >= 0)", ID, TypeNames.NONE)).type()));
        small.entity("Lot", "lot_no amount primary key", "seeds amount not null")
                .entity("Test", "test_no integer primary key", "sown amount")
                .relate("Lot", "is tested in", Cardinality.EXACTLY_ONE, "Test", "tests", Cardinality.ZERO_OR_MORE,
                        false);
        assertThat(small.columns("test")).isEqualTo("*test_no integer, sown amount, !lot_no amount");
        small.done(new Change.PutType(new Domain(ID, "seed_amount", ((Known) TypeReader.read("bigint")).type(),
                Optional.empty(), Optional.of("value > 0"), "")));
        assertThat(small.columns("test")).isEqualTo("*test_no integer, sown seed_amount, !lot_no seed_amount");
        small.done(new Change.RemoveType(ID));
        assertThat(small.columns("lot")).isEqualTo("*lot_no bigint, !seeds bigint");
        assertThat(small.table("lot").checks()).extracting(check -> check.condition().text())
                .containsExactly("\"lot_no\" > 0",
                "\"seeds\" > 0");
    }

    @Test
    void renamingAnAttributeIsFollowedByConditionsAndFormulas() {
        Small small = new Small().entity("Weighing", "no integer primary key", "gross integer check (gross > 0)",
                "tare integer", "net integer generated always as (gross - tare)");
        small.done(new Change.SetChecks(small.id("Weighing"), List.of(new NamedCheck("lighter", "tare < gross"))));
        small.done(new Change.AlterAttribute(small.id("Weighing"), small.attribute("Weighing", "gross"),
                new AttributeAspect.Name("gross weight")));
        Table table = small.table("weighing");
        assertThat(table.column("net").orElseThrow().generated()).contains(Expression.of("gross_weight - tare"));
        assertThat(table.checks()).extracting(check -> check.condition().text()).containsExactly("gross_weight > 0",
                "tare < gross_weight");
    }

    @Test
    void indexesNameColumnsThatRelationshipsMade() {
        Small small = new Small().entity("Site", "site_code char(4) primary key")
                .entity("Visit", "visit_no integer primary key", "day date")
                .relate("Site", "gets", Cardinality.EXACTLY_ONE, "Visit", "is at", Cardinality.ZERO_OR_MORE, false);
        DerivedTable table = small.derived("visit");
        Index index = ((IndexLineReader.Read) IndexLineReader
                .read("create unique index by_day on visit (day desc, site_code);", table)).index();
        assertThat(IndexLineReader.text(index, table)).isEqualTo("unique index by_day on (day desc, site_code)");
        small.done(new Change.SetIndexes(small.id("Visit"), List.of(index)));
        String script = new ScriptWriter(Dialect.of(Target.POSTGRESQL), ScriptOptions.DEFAULT)
                .write(Derivation.of(small.design()).schema(), "t").text();
        assertThat(script).contains("CREATE UNIQUE INDEX by_day ON visit (day DESC, site_code);");
        assertThat(((IndexLineReader.NotRead) IndexLineReader.read("(colour)", table)).message())
                .contains("no column “colour” in visit");
        small.done(new Change.RemoveRelationship(new RelationshipId("r1")));
        assertThat(small.table("visit").indexes().getFirst().columns()).extracting(IndexColumn::name)
                .containsExactly("day");
    }

    /** ISO/IEC 9075-2, 11.4: sequence generator options and generation clause of a column definition. */
    @Test
    void numbersAndFormulasAreWrittenAsTheStandardHasThem() {
        Small small = new Small().entity("Lot",
                "no integer generated always as identity (start with 100 increment by 10) primary key", "a integer",
                "b integer generated always as (a * 2)");
        String script = new ScriptWriter(Dialect.of(Target.POSTGRESQL), ScriptOptions.DEFAULT)
                .write(Derivation.of(small.design()).schema(), "t").text();
        assertThat(script).contains("GENERATED ALWAYS AS IDENTITY (START WITH 100 INCREMENT BY 10) NOT NULL")
                .contains("GENERATED ALWAYS AS (a * 2) STORED");
        assertThat(new AttributeLineWriter(small.design()).write(small.find("Lot").attributes().getFirst()))
                .isEqualTo("no integer not null generated always as identity (start with 100 increment by 10)");
    }
}
