package entaxis.drawing.svg;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Notation;
import entaxis.core.small.Small;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import entaxis.drawing.scene.Lens;
import entaxis.drawing.scene.Scene;
import entaxis.drawing.scene.SceneMaker;
import entaxis.drawing.text.TextMeasure;
import java.util.List;
import java.util.function.Function;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** The signs of each notation, as its publication has them. */
class NotationTest {
    private static final TextMeasure MEASURE = new TextMeasure();

    private static String drawn(Notation notation, Cardinality parent, Cardinality child) {
        Small small = new Small().entity("Site", "site_code char(4) primary key")
                .entity("Visit", "visit_no integer primary key")
                .relate("Site", "gets", parent, "Visit", "is at", child, false);
        Scene scene = new SceneMaker(Lens.CONCEPT, MEASURE).make(small.design(), Derivation.of(small.design()),
                small.design().sheet(), Dialect.of(Target.POSTGRESQL));
        return new SvgWriter(MEASURE).line(scene.lines().getFirst(), notation);
    }

    private static List<String> words(String svg) {
        return Pattern.compile(">([^<>]+)</text>").matcher(svg).results().map(found -> found.group(1))
                .filter(word -> !word.equals("gets")).toList();
    }

    /**
     * FIPS PUB 184 (from memory): a dot at the child; nothing for zero or more, P for one or more, Z for zero or one,
     * the number itself; a diamond at an optional parent; dashed.
     */
    @Test
    void idef1x() {
        assertThat(words(drawn(Notation.IDEF1X, Cardinality.EXACTLY_ONE, Cardinality.ZERO_OR_MORE))).isEmpty();
        assertThat(words(drawn(Notation.IDEF1X, Cardinality.EXACTLY_ONE, Cardinality.ONE_OR_MORE)))
                .containsExactly("P");
        assertThat(words(drawn(Notation.IDEF1X, Cardinality.EXACTLY_ONE, Cardinality.ZERO_OR_ONE)))
                .containsExactly("Z");
        assertThat(words(drawn(Notation.IDEF1X, Cardinality.EXACTLY_ONE, new Cardinality(4, 4)))).containsExactly("4");
        String optional = drawn(Notation.IDEF1X, Cardinality.ZERO_OR_ONE, Cardinality.ZERO_OR_MORE);
        assertThat(optional).contains("z\" fill=\"#FBF9F4\"").contains("stroke-dasharray")
                .containsOnlyOnce("r=\"4.5\"");
    }

    /** ISO/IEC 19505 (from memory): lower and upper bound with two dots, * for unlimited. */
    @Test
    void uml() {
        assertThat(words(drawn(Notation.UML, Cardinality.EXACTLY_ONE, Cardinality.ZERO_OR_MORE))).containsExactly("1",
                "0..*");
        assertThat(words(drawn(Notation.UML, Cardinality.ZERO_OR_ONE, Cardinality.ONE_OR_MORE))).containsExactly("0..1",
                "1..*");
        assertThat(words(drawn(Notation.UML, Cardinality.EXACTLY_ONE, new Cardinality(2, 5)))).containsExactly("1",
                "2..5");
        assertThat(drawn(Notation.UML, Cardinality.EXACTLY_ONE, Cardinality.ZERO_OR_MORE)).doesNotContain("dasharray");
    }

    /** Chen 1976: 1 and N, or M and N, beside the entities, the relationship in a diamond. */
    @Test
    void chen() {
        assertThat(words(drawn(Notation.CHEN, Cardinality.EXACTLY_ONE, Cardinality.ZERO_OR_MORE))).containsExactly("1",
                "N");
        assertThat(words(drawn(Notation.CHEN, Cardinality.ZERO_OR_MORE, Cardinality.ONE_OR_MORE))).containsExactly("N",
                "M");
        assertThat(drawn(Notation.CHEN, Cardinality.EXACTLY_ONE, Cardinality.ZERO_OR_MORE))
                .contains("<path class=\"verb\"");
    }

    /**
     * Elmasri and Navathe, structural constraints (from memory): the pair beside an entity says how often one of it
     * takes part.
     */
    @Test
    void minMaxPairsStandBesideTheEntityThatTakesPart() {
        assertThat(words(drawn(Notation.MIN_MAX, Cardinality.EXACTLY_ONE, Cardinality.ZERO_OR_MORE)))
                .containsExactly("(0,n)", "(1,1)");
    }

    @Test
    void onlyTheSignsDiffer() {
        Function<Notation, String> way = notation -> drawn(notation, Cardinality.EXACTLY_ONE, Cardinality.ZERO_OR_MORE)
                .replaceFirst("(?s).*class=\"grip\" d=\"([^\"]*)\".*", "$1");
        assertThat(Stream.of(Notation.values()).map(way).distinct()).hasSize(1);
    }

    /** What was only proposed is not drawn; a relationship in Chen's notation is a sign with its name all the same. */
    @Test
    void aVerbThatNobodyWroteIsNotDrawn() {
        Small small = new Small().entity("Site", "site_code char(4) primary key")
                .entity("Visit", "visit_no integer primary key")
                .relate("Site", "has", Cardinality.EXACTLY_ONE, "Visit", "belongs to", Cardinality.ZERO_OR_MORE, false);
        for (Notation notation : Notation.values()) {
            Scene scene = new SceneMaker(Lens.CONCEPT, MEASURE).make(small.design(), Derivation.of(small.design()),
                    small.design().sheet().showing(small.design().sheet().shows().with(notation)),
                    Dialect.of(Target.POSTGRESQL));
            assertThat(scene.lines().getFirst().labels()).as("%s", notation).hasSize(notation == Notation.CHEN ? 1 : 0);
        }
    }
}
