package entaxis.drawing.scene;

import entaxis.drawing.geometry.Box;

/**
 * A subject area as it lies on a sheet.
 *
 * @param hue number of its colour
 * @param box the smallest box around its cards
 */
public record AreaLabel(String name, int hue, Box box) { }
