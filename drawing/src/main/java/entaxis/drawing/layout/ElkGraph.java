package entaxis.drawing.layout;

import entaxis.core.design.Place;
import entaxis.drawing.geometry.Point;
import entaxis.drawing.scene.Card;
import entaxis.drawing.scene.Line;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.eclipse.elk.alg.layered.options.LayeredOptions;
import org.eclipse.elk.core.RecursiveGraphLayoutEngine;
import org.eclipse.elk.core.math.ElkPadding;
import org.eclipse.elk.core.options.CoreOptions;
import org.eclipse.elk.core.options.Direction;
import org.eclipse.elk.core.options.EdgeRouting;
import org.eclipse.elk.core.util.BasicProgressMonitor;
import org.eclipse.elk.graph.ElkEdge;
import org.eclipse.elk.graph.ElkEdgeSection;
import org.eclipse.elk.graph.ElkNode;
import org.eclipse.elk.graph.util.ElkGraphUtil;

/** Cards and lines as the layout library sees them. */
public final class ElkGraph {
    private static final double BETWEEN_LAYERS = 120;
    private static final double ASPECT = 1.5;

    private final ElkNode root;
    private final Map<String, ElkNode> nodes = new HashMap<>();
    private final Map<String, ElkEdge> edges = new LinkedHashMap<>();
    private final Set<String> reversed = new HashSet<>();

    private ElkGraph(ElkNode root) {
        this.root = root;
    }

    /**
     * The graph of some cards and of the lines between them; a line by way of the sign of a category leads to its
     * general entity.
     */
    public static ElkGraph of(List<Card> cards, List<Line> lines) {
        ElkNode root = ElkGraphUtil.createGraph();
        root.setProperty(CoreOptions.ALGORITHM, LayeredOptions.ALGORITHM_ID);
        root.setProperty(CoreOptions.DIRECTION, Direction.RIGHT);
        root.setProperty(CoreOptions.EDGE_ROUTING, EdgeRouting.ORTHOGONAL);
        root.setProperty(CoreOptions.SEPARATE_CONNECTED_COMPONENTS, true);
        root.setProperty(CoreOptions.SPACING_COMPONENT_COMPONENT, AutoLayout.BETWEEN_CARDS * 1.5);
        root.setProperty(CoreOptions.SPACING_NODE_NODE, AutoLayout.BETWEEN_CARDS);
        root.setProperty(CoreOptions.ASPECT_RATIO, ASPECT);
        root.setProperty(CoreOptions.PADDING, new ElkPadding(AutoLayout.MARGIN));
        root.setProperty(LayeredOptions.SPACING_NODE_NODE_BETWEEN_LAYERS, BETWEEN_LAYERS);
        ElkGraph graph = new ElkGraph(root);
        for (Card card : cards) {
            ElkNode node = ElkGraphUtil.createNode(root);
            node.setDimensions(card.box().width(), card.box().height());
            graph.nodes.put(card.owner().value(), node);
        }
        Map<String, String> generals = new HashMap<>();
        lines.stream().filter(line -> line.sign().isPresent())
                .forEach(line -> generals.put(line.second().card(), line.first().card()));
        lines.stream().filter(line -> line.sign().isEmpty()).forEach(line -> graph.join(line, generals));
        return graph;
    }

    private void join(Line line, Map<String, String> generals) {
        ElkNode first = nodes.get(generals.getOrDefault(line.first().card(), line.first().card()));
        ElkNode second = nodes.get(line.second().card());
        boolean towardsFirst = line.first().many() && !line.second().many();
        if (first != null && second != null && first != second) {
            edges.put(line.id(),
                    ElkGraphUtil.createSimpleEdge(towardsFirst ? second : first, towardsFirst ? first : second));
            if (towardsFirst) {
                reversed.add(line.id());
            }
        }
    }

    /** Has the library place the cards and route the lines. */
    public void layOut() {
        new RecursiveGraphLayoutEngine().layout(root, new BasicProgressMonitor());
    }

    /** Where the library placed a card. */
    public Place place(Card card) {
        ElkNode node = nodes.get(card.owner().value());
        return new Place((int) Math.round(node.getX()), (int) Math.round(node.getY()));
    }

    /** The ways that the library gave the lines, each from its first card to its second, by their identities. */
    public Map<String, List<Point>> ways() {
        Map<String, List<Point>> ways = new LinkedHashMap<>();
        edges.forEach((line, edge) -> {
            List<Point> points = new ArrayList<>();
            for (ElkEdgeSection section : edge.getSections()) {
                points.add(new Point(section.getStartX(), section.getStartY()));
                section.getBendPoints().forEach(bend -> points.add(new Point(bend.getX(), bend.getY())));
                points.add(new Point(section.getEndX(), section.getEndY()));
            }
            ways.put(line, reversed.contains(line) ? points.reversed() : points);
        });
        return ways;
    }
}
