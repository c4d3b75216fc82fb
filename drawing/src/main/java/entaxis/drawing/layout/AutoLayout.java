package entaxis.drawing.layout;

import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import entaxis.drawing.scene.Card;
import entaxis.drawing.scene.Line;
import entaxis.drawing.scene.Scene;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import org.eclipse.elk.alg.layered.options.LayeredOptions;
import org.eclipse.elk.core.RecursiveGraphLayoutEngine;
import org.eclipse.elk.core.math.ElkPadding;
import org.eclipse.elk.core.options.CoreOptions;
import org.eclipse.elk.core.options.Direction;
import org.eclipse.elk.core.options.EdgeRouting;
import org.eclipse.elk.core.util.BasicProgressMonitor;
import org.eclipse.elk.graph.ElkNode;
import org.eclipse.elk.graph.util.ElkGraphUtil;

/** Arranges the cards of a scene left to right in layers, parents before children (Sugiyama, Tagawa and Toda 1981, as the layered layout library does it). */
public final class AutoLayout {
    private static final double BETWEEN_LAYERS = 120;
    private static final double BETWEEN_CARDS = 44;
    private static final double MARGIN = 40;
    private static final double ASPECT = 1.5;

    private AutoLayout() { }

    /** A place for each card. Deterministic; the library's effort grows a little faster than linearly with cards and lines. */
    public static Map<OwnerId, Place> arrange(Scene scene) {
        ElkNode graph = ElkGraphUtil.createGraph();
        graph.setProperty(CoreOptions.ALGORITHM, LayeredOptions.ALGORITHM_ID);
        graph.setProperty(CoreOptions.DIRECTION, Direction.RIGHT);
        graph.setProperty(CoreOptions.EDGE_ROUTING, EdgeRouting.ORTHOGONAL);
        graph.setProperty(CoreOptions.SEPARATE_CONNECTED_COMPONENTS, true);
        graph.setProperty(CoreOptions.SPACING_COMPONENT_COMPONENT, BETWEEN_CARDS * 1.5);
        graph.setProperty(CoreOptions.SPACING_NODE_NODE, BETWEEN_CARDS);
        graph.setProperty(CoreOptions.ASPECT_RATIO, ASPECT);
        graph.setProperty(CoreOptions.PADDING, new ElkPadding(MARGIN));
        graph.setProperty(LayeredOptions.SPACING_NODE_NODE_BETWEEN_LAYERS, BETWEEN_LAYERS);
        Map<String, ElkNode> nodes = new HashMap<>();
        for (Card card : scene.cards()) {
            ElkNode node = ElkGraphUtil.createNode(graph);
            node.setDimensions(card.box().width(), card.box().height());
            nodes.put(card.owner().value(), node);
        }
        for (Line line : scene.lines()) {
            boolean towardsFirst = line.first().many() && !line.second().many();
            ElkNode first = nodes.get(line.first().card());
            ElkNode second = nodes.get(line.second().card());
            if (first != second) {
                ElkGraphUtil.createSimpleEdge(towardsFirst ? second : first, towardsFirst ? first : second);
            }
        }
        new RecursiveGraphLayoutEngine().layout(graph, new BasicProgressMonitor());
        Map<OwnerId, Place> places = new LinkedHashMap<>();
        for (Card card : scene.cards()) {
            ElkNode node = nodes.get(card.owner().value());
            places.put(card.owner(), new Place((int) Math.round(node.getX()), (int) Math.round(node.getY())));
        }
        return places;
    }
}
