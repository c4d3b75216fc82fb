package entaxis.core.design;

/**
 * A subject area: entities that belong together.
 *
 * @param hue number of its colour, 0 to 7
 */
public record Area(AreaId id, String name, int hue) implements Elements.Element<AreaId> {
    /** How many colours there are. */
    public static final int HUES = 8;
}
