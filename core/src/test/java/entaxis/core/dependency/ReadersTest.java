package entaxis.core.dependency;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.dependency.Dependency.Functional;
import entaxis.core.dependency.Dependency.Multivalued;
import entaxis.core.dependency.DependencyReader.Line;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ReadersTest {
    private final DependencyReader reader =
            new DependencyReader(List.of("tray_no", "position", "taxon_code", "Taxon name"));

    @Test
    void textbookNotation() {
        assertThat(reader.line(" tray_no, position->taxon_code "))
                .isEqualTo(new Line.ReadDependency(new Functional(AttributeSet.of(0, 1), AttributeSet.of(2))));
        assertThat(reader.line("TRAY_NO ->> Taxon Name, position # both"))
                .isEqualTo(new Line.ReadDependency(new Multivalued(AttributeSet.of(0), AttributeSet.of(1, 3))));
        assertThat(reader.line("tray_no \u2192 position"))
                .isEqualTo(new Line.ReadDependency(new Functional(AttributeSet.of(0), AttributeSet.of(1))));
        assertThat(reader.line("-> position"))
                .isEqualTo(new Line.ReadDependency(new Functional(AttributeSet.none(), AttributeSet.of(1))));
        assertThat(reader.line("  # only a remark")).isEqualTo(new Line.Empty());
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "tray_no position          | 16 | An arrow is missing",
        "tray_no ->                | 10 | Nothing follows the arrow",
        "tray_no -> positon        | 11 | There is no attribute “positon”. Is “position” meant?",
        "tray_no,, position -> taxon_code | 8 | A name is missing",
        "tray_no -> position -> taxon_code | 20 | There are two arrows"})
    void faultsSayWhereAndWhat(String text, int at, String message) {
        assertThat(reader.line(text)).isInstanceOfSatisfying(Line.Fault.class, fault -> {
            assertThat(fault.at()).isEqualTo(at);
            assertThat(fault.message()).startsWith(message);
        });
    }

    @Test
    void severalRelations() {
        RelationReader.Result result =
                RelationReader.read("# two\nOne(a, b)\na -> b\n\n\nTwo (x, y, z)\n# inside\nx ->> y\n");
        assertThat(result.fault()).isEmpty();
        assertThat(result.relations()).extracting(Relation::name).containsExactly("One", "Two");
        assertThat(result.relations().get(1).multivalued()).hasSize(1);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "a -> b                | 1 | a relation is missing",
        "R(a, b);a -> c        | 2 | column 6: There is no attribute “c”.",
        "R(a, a)               | 1 | the attribute a stands twice",
        "R(a, )                | 1 | the name of an attribute is missing",
        "(a, b)                | 1 | the relation has no name",
        "# nothing             | 1 | there is no relation"})
    void faultsInFilesNameTheLine(String text, int line, String message) {
        RelationReader.Result result = RelationReader.read(text.replace(';', '\n'));
        assertThat(result.relations()).isEmpty();
        assertThat(result.fault()).get().satisfies(fault -> {
            assertThat(fault.line()).isEqualTo(line);
            assertThat(fault.message()).startsWith(message);
        });
    }
}
