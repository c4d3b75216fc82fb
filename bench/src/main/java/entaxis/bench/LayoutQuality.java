package entaxis.bench;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Design;
import entaxis.core.design.LineShape;
import entaxis.core.design.Notation;
import entaxis.core.design.OwnerId;
import entaxis.core.random.RandomDesigns;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Edge;
import entaxis.drawing.geometry.Point;
import entaxis.drawing.layout.AutoLayout;
import entaxis.drawing.layout.ElkGraph;
import entaxis.drawing.quality.Quality;
import entaxis.drawing.route.Link;
import entaxis.drawing.route.Router;
import entaxis.drawing.scene.Card;
import entaxis.drawing.scene.Lens;
import entaxis.drawing.scene.Line;
import entaxis.drawing.scene.LineEnd;
import entaxis.drawing.scene.Scene;
import entaxis.drawing.scene.SceneMaker;
import entaxis.drawing.text.TextMeasure;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * How good layouts are, and how our router compares with the layout library's own routing on the very places that the
 * library chose: on the demo design of a running application, and on generated designs.
 */
public final class LayoutQuality {
    private static final Pattern CARD = Pattern.compile(
            "<g id=\"c-([er][0-9a-z]+)\" class=\"card\" data-x=\"([-.0-9]+)\" data-y=\"([-.0-9]+)\" "
                    + "data-w=\"([.0-9]+)\" data-h=\"([.0-9]+)\"");
    private static final Pattern LINE = Pattern.compile(
            "<g id=\"l-([^\"]+)\" class=\"line\" data-r=\"[^\"]*\" data-a=\"([^\"]+)\" data-b=\"([^\"]+)\"[^>]*><path "
                    + "class=\"grip\" d=\"M([^\"]+)\"");
    private static final TextMeasure MEASURE = new TextMeasure();

    private LayoutQuality() { }

    /** Prints the table; the argument is the address of a running application with the demo. */
    public static void main(String[] arguments) throws IOException, InterruptedException {
        System.out.println(
                "| design | cards | lines | routed by | crossings | bends | length | area | through cards | on each "
                        + "other |");
        System.out.println("|---|---|---|---|---|---|---|---|---|---|");
        HttpClient client = HttpClient.newHttpClient();
        String home = client
                .send(HttpRequest.newBuilder(URI.create(arguments[0] + "/")).build(), BodyHandlers.ofString()).body();
        Matcher design = Pattern.compile("/designs/(d[0-9a-z]+)").matcher(home);
        if (design.find()) {
            for (String lens : List.of("concept", "tables")) {
                String svg = client.send(
                        HttpRequest
                                .newBuilder(URI.create(
                                        arguments[0] + "/designs/" + design.group(1) + "/sheet.svg?lens=" + lens))
                                .build(),
                        BodyHandlers.ofString()).body();
                demo("demo, " + lens, svg);
            }
        }
        for (int size : new int[] {20, 50, 150, 300}) {
            Design random = RandomDesigns.design(size, size);
            Scene scene = new SceneMaker(Lens.TABLES, MEASURE).make(random, Derivation.of(random), random.sheet(),
                    Dialect.of(Target.POSTGRESQL));
            compare("generated, " + size + " entities", scene.cards(),
                    scene.lines().stream().filter(line -> line.sign().isEmpty()
                            && scene.cards().stream()
                                    .anyMatch(card -> card.owner().value().equals(line.first().card())))
                            .toList());
        }
    }

    private static void demo(String name, String svg) {
        List<Card> cards = new ArrayList<>();
        Matcher card = CARD.matcher(svg);
        while (card.find()) {
            cards.add(new Card(OwnerId.of(card.group(1)),
                    new Box(Double.parseDouble(card.group(2)), Double.parseDouble(card.group(3)),
                            Double.parseDouble(card.group(4)),
                    Double.parseDouble(card.group(5))), "", OptionalInt.empty(), false, List.of(), List.of()));
        }
        List<Line> lines = new ArrayList<>();
        Map<String, List<Point>> ways = new LinkedHashMap<>();
        Matcher line = LINE.matcher(svg);
        while (line.find()) {
            List<Point> points = Pattern.compile("L").splitAsStream(line.group(4)).map(pair -> pair.split(" "))
                    .map(pair -> new Point(Double.parseDouble(pair[0]), Double.parseDouble(pair[1]))).toList();
            ways.put(line.group(1), points);
            lines.add(new Line(line.group(1), line.group(1), true, false, false, points, end(line.group(2)),
                    end(line.group(3)), List.of(), Optional.empty()));
        }
        row(name + " as laid by hand", cards, ways, "Entaxis");
        compare(name + " arranged", cards, lines);
    }

    private static LineEnd end(String card) {
        return new LineEnd(card, Edge.LEFT, Cardinality.EXACTLY_ONE, Cardinality.EXACTLY_ONE, false, List.of(), false);
    }

    /**
     * The library lays the cards out and routes the lines; then our router routes the same lines among the same places.
     */
    private static void compare(String name, List<Card> cards, List<Line> lines) {
        ElkGraph graph = ElkGraph.of(cards, lines);
        graph.layOut();
        Map<String, Box> boxes = new LinkedHashMap<>();
        List<Card> placed = cards.stream().map(card -> card.at(graph.place(card).x(), graph.place(card).y())).toList();
        placed.forEach(card -> boxes.put(card.owner().value(), card.box()));
        Map<String, List<Point>> theirs = graph.ways();
        List<Link> links = lines.stream().filter(line -> theirs.containsKey(line.id()))
                .map(line -> new Link(line.id(), line.first().card(), boxes.get(line.first().card()),
                        line.second().card(), boxes.get(line.second().card())))
                .toList();
        Map<String, List<Point>> ours = new LinkedHashMap<>();
        new Router().route(boxes, links).forEach((id, route) -> ours.put(id, route.points()));
        Map<String, LineShape> kept = AutoLayout.ways(new Scene(Lens.TABLES, Notation.CROWS_FOOT, cards, lines,
                List.of(), List.of(), List.of(), Optional.empty()));
        Map<String, List<Point>> keeping = new LinkedHashMap<>();
        new Router()
                .route(boxes,
                        links.stream()
                                .map(link -> new Link(link.id(), link.firstCard(), link.first(), link.secondCard(),
                                        link.second(),
                                        kept.getOrDefault(link.id(), LineShape.FREE)))
                                .toList())
                .forEach((id, route) -> keeping.put(id, route.points()));
        row(name, placed, keeping, "Entaxis, as arranged");
        row(name, placed, ours, "Entaxis alone");
        row(name, placed, theirs, "the library");
    }

    private static void row(String name, List<Card> cards, Map<String, List<Point>> ways, String by) {
        Quality quality = Quality.of(cards.stream().map(Card::box).toList(), ways);
        System.out.printf(Locale.ROOT, "| %s | %d | %d | %s | %d | %d | %.0f | %.2f M | %d | %d |%n", name,
                cards.size(), ways.size(), by, quality.crossings(), quality.bends(),
                quality.length(), quality.area() / 1e6, quality.through(), quality.shared());
    }
}
