package entaxis.drawing.scene;

import entaxis.core.design.PictureId;
import entaxis.drawing.geometry.Box;

/** A picture as it lies on the sheet. */
public record PictureBox(PictureId id, Box box, String content, String title) { }
