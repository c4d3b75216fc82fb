package entaxis.core.normalize;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.dependency.FirstFormSigns;
import entaxis.core.derive.Derivation;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.EntityId;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import entaxis.core.schema.QualifiedName;
import entaxis.core.small.Small;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class FirstFormTest {
    private int next = 100;

    private Design with(Design design, EntityId entity, List<List<String>> rows) {
        EntityRelation about = EntityRelation.of(design, Derivation.of(design), entity);
        Design after = design;
        for (List<String> row : rows) {
            Map<ColumnPath, String> values = new HashMap<>();
            for (int i = 0; i < row.size(); i++) {
                values.put(about.paths().get(i), row.get(i));
            }
            after = ((Applied) Editor.apply(after,
                    new Change.AddRow(new SampleRow(new RowId("w" + next++), entity, values)))).design();
        }
        return after;
    }

    private ApplyDecomposition.Result remedy(Design design, EntityId entity, int sign) {
        EntityRelation about = EntityRelation.of(design, Derivation.of(design), entity);
        return FirstForm.of(design, about, FirstFormSigns.of(about.rows()).get(sign),
                kind -> kind + String.valueOf(next++));
    }

    private Design done(Design design, EntityId entity) {
        ApplyDecomposition.Result result = remedy(design, entity, 0);
        assertThat(result).isInstanceOf(ApplyDecomposition.Result.Ready.class);
        Applied applied = (Applied) Editor.apply(design, ((ApplyDecomposition.Result.Ready) result).change());
        assertThat(((Applied) Editor.apply(applied.design(), applied.inverse())).design()).isEqualTo(design);
        return applied.design();
    }

    private static List<List<String>> rows(Design design, String table) {
        DerivedTable found = Derivation.of(design).derived(QualifiedName.of(table)).orElseThrow();
        return design.rows().stream().filter(row -> row.table().equals(found.element()))
                .map(row -> found.paths().stream().map(path -> row.values().getOrDefault(path, "")).toList())
                .toList();
    }

    @Test
    void numberedRepeatsBecomeRowsOfTheirOwn() {
        Small small = new Small().entity("Warden", "warden_no integer primary key", "phone1 varchar(20)",
                "phone2 varchar(20)");
        Design after =
                done(with(small.design(), small.id("Warden"), List.of(List.of("1", "555", "556"), List.of("2", "557"))),
                        small.id("Warden"));
        assertThat(rows(after, "warden")).containsExactly(List.of("1"), List.of("2"));
        assertThat(rows(after, "warden_phone")).containsExactly(List.of("1", "1", "555"), List.of("1", "2", "556"),
                List.of("2", "1", "557"));
    }

    @Test
    void valuesInOneCellBecomeRowsOfTheirOwn() {
        Small small = new Small().entity("Site", "site_code char(3) primary key", "habitats varchar(80)");
        Design after = done(with(small.design(), small.id("Site"),
                List.of(List.of("FEN", "marsh; reed; ditch"), List.of("HEA", "heath; bog"))), small.id("Site"));
        assertThat(rows(after, "site_habitats")).containsExactly(List.of("FEN", "1", "marsh"),
                List.of("FEN", "2", "reed"), List.of("FEN", "3", "ditch"), List.of("HEA", "1", "heath"),
                List.of("HEA", "2", "bog"));
    }

    @Test
    void wholeNamesAndAddressesAreSplit() {
        Small small = new Small().entity("Person", "person_no integer primary key", "full_name varchar(80)");
        Design after = done(with(small.design(), small.id("Person"),
                List.of(List.of("1", "Ada May Moss"), List.of("2", "Reed, Tom"))), small.id("Person"));
        assertThat(rows(after, "person")).containsExactly(List.of("1", "Ada May", "Moss"), List.of("2", "Tom", "Reed"));
        assertThat(FirstForm.address("1 Fen Lane, Fenmoor, FM1 2AB")).containsExactly("1 Fen Lane", "Fenmoor",
                "FM1 2AB");
        assertThat(FirstForm.address("Mill")).containsExactly("Mill", "", "");
    }

    @Test
    void withoutAKeyThereIsNothingToReferTo() {
        Small small = new Small().entity("Note", "phone1 varchar(20)", "phone2 varchar(20)");
        assertThat(remedy(small.design(), small.id("Note"), 0)).isInstanceOfSatisfying(
                ApplyDecomposition.Result.Refused.class,
                refused -> assertThat(refused.problem().message()).startsWith("Choose a key of Note first"));
    }

    @Test
    void factsThatStandElsewhereTooAreAskedAbout() {
        Small small = new Small()
                .entity("Employer", "employer_no integer primary key", "branch varchar(40)", "trade varchar(40)")
                .entity("Customer", "customer_no integer primary key", "employer_city varchar(40)",
                        "branch varchar(40)")
                .entity("Both", "employer_no integer primary key", "customer_no integer", "trade varchar(40)")
                .relate("Employer", "employs", Cardinality.EXACTLY_ONE, "Customer", "works for",
                        Cardinality.ZERO_OR_MORE, false);
        List<AcrossEntities> asked =
                AcrossEntities.of(small.design(), Derivation.of(small.design()), small.id("Customer"));
        assertThat(asked).extracting(AcrossEntities::question)
                .anyMatch(question -> question.startsWith("branch stands in Employer too"))
                .anyMatch(question -> question
                        .startsWith("employer_city seems to describe the employer, not the customer"));
        assertThat(AcrossEntities.of(small.design(), Derivation.of(small.design()), small.id("Both")))
                .extracting(AcrossEntities::question)
                .anyMatch(question -> question.startsWith("Every column of Both stands in"));
        assertThat(AcrossEntities.of(small.design(), Derivation.of(small.design()), small.id("Employer")))
                .extracting(AcrossEntities::question)
                .noneMatch(question -> question.contains("seems to describe"));
    }
}
