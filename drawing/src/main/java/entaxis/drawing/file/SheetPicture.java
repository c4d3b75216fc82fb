package entaxis.drawing.file;

import entaxis.core.design.Area;
import entaxis.core.design.Paper;
import entaxis.drawing.scene.Scene;
import java.util.List;

/**
 * A sheet on its way into a file.
 *
 * @param areas the subject areas that its legend names
 */
public record SheetPicture(String name, Scene scene, Paper paper, List<Area> areas) {
    /** Copies the areas. */
    public SheetPicture {
        areas = List.copyOf(areas);
    }
}
