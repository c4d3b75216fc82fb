package entaxis.web.sheet;

import entaxis.drawing.scene.Scene;
import java.util.Map;

/**
 * A sheet as SVG groups at one revision.
 *
 * @param lines groups of lines by identity, to be drawn first
 * @param cards groups of cards, notes and pictures by identity
 * @param paper what lies below everything
 * @param areas names of subject areas, above everything
 */
public record Rendering(long revision, Scene scene, Map<String, String> lines, Map<String, String> cards, String paper,
        String areas) { }
