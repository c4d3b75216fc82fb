package entaxis.drawing.file;

import entaxis.core.design.Paper;
import java.util.Optional;

/**
 * How sheets are saved.
 *
 * @param scale       pixels for each unit of the sheet, for PNG and JPEG
 * @param transparent whether nothing lies below the drawing, for SVG and PNG
 * @param legend      whether the signs are explained below the drawing
 * @param titleBlock  whether title, author, date and more stand at the foot of each page, for PDF
 * @param tiled       whether the sheet goes in true size over as many pages as it needs, for PDF
 * @param paper       the paper, for PDF; that of each sheet if none is given
 */
public record FileOptions(Format format, double scale, boolean transparent, boolean legend, boolean titleBlock,
        boolean tiled, Optional<Paper> paper) {
    /** As a format, with nothing added. */
    public static FileOptions as(Format format) {
        return new FileOptions(format, 1, false, false, false, false, Optional.empty());
    }

    /** The same with so many pixels for each unit. */
    public FileOptions scaled(double pixels) {
        return new FileOptions(format, pixels, transparent, legend, titleBlock, tiled, paper);
    }

    /** The same with a title block, or without. */
    public FileOptions titled(boolean shown) {
        return new FileOptions(format, scale, transparent, legend, shown, tiled, paper);
    }

    /** The same on one page or over several. */
    public FileOptions tiled(boolean overSeveral) {
        return new FileOptions(format, scale, transparent, legend, titleBlock, overSeveral, paper);
    }

    /** The same on other paper. */
    public FileOptions on(Optional<Paper> other) {
        return new FileOptions(format, scale, transparent, legend, titleBlock, tiled, other);
    }
}
