package entaxis.drawing.pdf;

import entaxis.drawing.geometry.Box;
import java.util.ArrayList;
import java.util.List;

/**
 * How a drawing in true size is cut into pages that overlap.
 *
 * @param columns pages side by side
 * @param rows    pages above each other
 * @param windows what each page shows, in sheet units, row by row
 */
record Tiling(int columns, int rows, List<Box> windows) {
    Tiling {
        windows = List.copyOf(windows);
    }

    /** Cuts a box into windows of this size; each shares a strip with the one before. */
    static Tiling of(Box box, double width, double height, double overlap) {
        int columns = count(box.width(), width, overlap);
        int rows = count(box.height(), height, overlap);
        List<Box> windows = new ArrayList<>();
        for (int row = 0; row < rows; row++) {
            for (int column = 0; column < columns; column++) {
                windows.add(new Box(box.x() + column * (width - overlap), box.y() + row * (height - overlap), width,
                        height));
            }
        }
        return new Tiling(columns, rows, windows);
    }

    private static int count(double length, double window, double overlap) {
        return length <= window ? 1 : 1 + (int) Math.ceil((length - window) / (window - overlap));
    }
}
