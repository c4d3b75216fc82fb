package entaxis.drawing.geometry;

/** Lengths and places as they are written: at most two decimals, none where they are whole. */
public final class Numbers {
    private Numbers() { }

    /** A number of sheet units. */
    public static String number(double value) {
        double rounded = Math.round(value * 100) / 100.0;
        return rounded == Math.rint(rounded) ? Long.toString((long) rounded) : Double.toString(rounded);
    }
}
