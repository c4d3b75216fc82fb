package entaxis.drawing.scene;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Design;
import entaxis.core.design.KeyPart;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import entaxis.core.random.RandomChanges;
import entaxis.core.random.RandomDesigns;
import entaxis.core.small.Small;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Point;
import entaxis.drawing.layout.AutoLayout;
import entaxis.drawing.svg.SvgWriter;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Document;

class SceneMakerTest {
    private static final TextMeasure MEASURE = new TextMeasure();
    private static final Dialect DIALECT = Dialect.of(Target.POSTGRESQL);

    private static Scene scene(SceneMaker maker, Design design) {
        return maker.make(design, Derivation.of(design), design.sheet(), DIALECT);
    }

    private static Scene scene(Design design, Lens lens) {
        return scene(new SceneMaker(lens, MEASURE), design);
    }

    private static Small collectors() {
        return new Small().entity("Collector", "collector_no integer primary key", "name text")
                .entity("Trip", "trip_no integer primary key")
                .relate("Collector", "takes part in", Cardinality.ONE_OR_MORE, "Trip", "is made by",
                        Cardinality.ZERO_OR_MORE, false);
    }

    @Test
    void theConceptShowsAManyToManyAsOneLineAndTheTablesItsBridge() {
        Scene concept = scene(collectors().design(), Lens.CONCEPT);
        assertThat(concept.cards()).extracting(Card::name).containsExactly("Collector", "Trip");
        assertThat(concept.lines()).singleElement().satisfies(line -> {
            assertThat(line.first().many() && line.second().many()).isTrue();
            assertThat(line.labels()).extracting(Line.Label::text).containsExactly("takes part in");
        });
        Scene tables = scene(collectors().design(), Lens.TABLES);
        assertThat(tables.cards()).extracting(Card::name).containsExactly("collector", "trip", "collector_trip");
        assertThat(tables.cards().getLast().rounded()).isTrue();
        assertThat(tables.lines()).hasSize(2).allMatch(Line::solid);
        // the inner ends keep the minima of the many-to-many: common practice
        assertThat(tables.lines()).extracting(line -> line.second().optional()).containsExactly(true, false);
    }

    /**
     * The rank is that of the column, as the Tables lens has it, though the columns of the relationship are not shown.
     */
    @Test
    void ranksOfAKeyCountTheColumnsOfRelationships() {
        Small small = new Small().entity("Shelf", "vault char(2) primary key", "shelf smallint primary key")
                .entity("Slot", "slot_no smallint primary key")
                .relate("Shelf", "has", Cardinality.EXACTLY_ONE, "Slot", "is part of", Cardinality.ZERO_OR_MORE, true);
        SceneMaker concept = new SceneMaker(Lens.CONCEPT, MEASURE);
        assertThat(scene(concept, small.design()).cards()).extracting(card -> card.keyRows().getLast().rank())
                .containsExactly(2, 3);
        small.done(new Change.SetKeys(small.id("Shelf"), new KeyPart.OwnPart(small.attribute("Shelf", "shelf")),
                OptionalInt.empty(), Set.of()));
        assertThat(scene(concept, small.design()).cards()).extracting(card -> card.keyRows().getLast().rank())
                .containsExactly(0, 2);
    }

    /** Random designs, arranged: hardly a text lies on a line. */
    @Test
    void textsLieOnNoLineWhereThereIsRoom() {
        long on = 0;
        long all = 0;
        for (int seed = 0; seed < 60; seed++) {
            Design design = RandomDesigns.design(seed, 12);
            Map<OwnerId, Place> places = AutoLayout.arrange(scene(design, Lens.CONCEPT));
            Design arranged =
                    ((Applied) Editor.apply(design, new Change.PlaceCards(design.sheet().id(), places))).design();
            Scene scene = scene(arranged, Lens.CONCEPT);
            on += scene.lines().stream().flatMap(line -> line.labels().stream())
                    .filter(label -> scene.lines().stream().anyMatch(line -> crosses(line, label.box()))).count();
            all += scene.lines().stream().mapToLong(line -> line.labels().size()).sum();
        }
        assertThat(all).isGreaterThan(100);
        assertThat(on * 20).as("%d texts on lines, of %d", on, all).isLessThanOrEqualTo(all);
    }

    private static boolean crosses(Line line, Box box) {
        for (int i = 0; i + 1 < line.points().size(); i++) {
            Point a = line.points().get(i);
            Point b = line.points().get(i + 1);
            if (new Box(Math.min(a.x(), b.x()), Math.min(a.y(), b.y()), Math.abs(a.x() - b.x()),
                    Math.abs(a.y() - b.y())).grown(0.1).overlaps(box)) {
                return true;
            }
        }
        return false;
    }

    @Test
    void bothLensesLeaveEntitiesInTheirPlaces() {
        Design design = RandomDesigns.design(3, 20);
        Map<String, Card> tables = new java.util.HashMap<>();
        scene(design, Lens.TABLES).cards().forEach(card -> tables.put(card.owner().value(), card));
        assertThat(scene(design, Lens.CONCEPT).cards()).filteredOn(card -> tables.containsKey(card.owner().value()))
                .hasSizeGreaterThan(15).allSatisfy(card -> {
            assertThat(card.box().x()).isEqualTo(tables.get(card.owner().value()).box().x());
            assertThat(card.box().y()).isEqualTo(tables.get(card.owner().value()).box().y());
        });
    }

    @Test
    void everyTextFitsItsCard() {
        for (int seed = 0; seed < 20; seed++) {
            for (Lens lens : Lens.values()) {
                for (Card card : scene(RandomDesigns.design(seed, 10), lens).cards()) {
                    assertThat(MEASURE.width(card.name(), TextStyle.NAME))
                            .isLessThanOrEqualTo(card.box().width() - Card.SPINE - 2 * Card.PAD + 1);
                    List<Card.Row> rows = new ArrayList<>(card.keyRows());
                    rows.addAll(card.rows());
                    assertThat(rows).allSatisfy(row -> assertThat(
                            MEASURE.width(row.name(), TextStyle.ROW) + MEASURE.width(row.type(), TextStyle.TYPE))
                            .isLessThanOrEqualTo(card.box().width() - Card.SPINE - 2 * Card.PAD));
                }
            }
        }
    }

    @Test
    void aSceneAfterManyEditsHoldsTheSameCardsAsOneMadeAgain() {
        Design design = RandomDesigns.design(11, 15);
        Random random = new Random(11);
        SceneMaker maker = new SceneMaker(Lens.TABLES, MEASURE);
        Derivation derivation = Derivation.of(design);
        for (int i = 0; i < 200; i++) {
            if (Editor.apply(design,
                    RandomChanges.change(design, random, "n" + i)) instanceof Applied(Design next, var inverse)) {
                design = next;
                derivation = Derivation.after(derivation, design);
                Scene kept = maker.make(design, derivation, design.sheet(), DIALECT);
                Scene fresh = scene(design, Lens.TABLES);
                assertThat(kept.cards()).isEqualTo(fresh.cards());
                assertThat(kept.lines()).extracting(Line::id).isEqualTo(fresh.lines().stream().map(Line::id).toList());
            }
        }
    }

    @Test
    void arrangedCardsDoNotOverlap() {
        for (int seed = 0; seed < 10; seed++) {
            Design design = RandomDesigns.design(seed, 25);
            Map<OwnerId, Place> places = AutoLayout.arrange(scene(design, Lens.TABLES));
            Design arranged =
                    ((Applied) Editor.apply(design, new Change.PlaceCards(design.sheet().id(), places))).design();
            assertThat(AutoLayout.arrange(scene(design, Lens.TABLES))).isEqualTo(places);
            List<Card> cards = scene(arranged, Lens.TABLES).cards();
            for (Card card : cards) {
                assertThat(cards.stream().filter(other -> other != card && other.box().overlaps(card.box())))
                        .as("seed %d", seed).isEmpty();
            }
        }
    }

    /** The SVG is read by the JDK's XML parser, which knows nothing of us. */
    @Test
    void theDocumentIsWellFormedAndShowsEveryNameLiterally() throws Exception {
        String nasty = "<b>\"'&amp; ]]> 漢";
        Design design = collectors().entity(nasty, "\"<i>\" text").design();
        String svg = new SvgWriter(MEASURE).document(scene(design, Lens.CONCEPT), content -> content);
        Document document = DocumentBuilderFactory.newDefaultInstance().newDocumentBuilder()
                .parse(new ByteArrayInputStream(svg.getBytes(StandardCharsets.UTF_8)));
        List<String> texts = new ArrayList<>();
        for (int i = 0; i < document.getElementsByTagName("text").getLength(); i++) {
            texts.add(document.getElementsByTagName("text").item(i).getTextContent());
        }
        assertThat(texts).contains(nasty, "<i>", "takes part in", "collector_no");
        assertThat(document.getElementsByTagName("b").getLength()).isZero();
    }

    @Test
    void theEmptySheetIsADocumentToo() {
        assertThat(new SvgWriter(MEASURE).document(scene(new Small().design(), Lens.TABLES), content -> content))
                .startsWith("<svg").endsWith("</svg>");
    }

    /** A control character of a name would make the document unreadable; it is left out. */
    @Test
    void charactersThatXmlForbidsAreLeftOut() {
        assertThat(new SvgWriter(MEASURE).card(new Card(collectors().id("Trip"),
                new entaxis.drawing.geometry.Box(0, 0, 100, 40), "a\u0001b", java.util.OptionalInt.empty(), false,
                List.of(), List.of()))).contains(">ab</text>");
    }
}
