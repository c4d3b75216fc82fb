package entaxis.web.sheet;

import entaxis.drawing.scene.Scene;
import java.util.Map;

/**
 * A sheet as SVG groups at one revision.
 *
 * @param lines groups of lines by identity, to be drawn first
 * @param cards groups of cards by identity
 */
public record Rendering(long revision, Scene scene, Map<String, String> lines, Map<String, String> cards) { }
