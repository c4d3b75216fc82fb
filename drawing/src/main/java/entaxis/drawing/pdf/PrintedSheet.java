package entaxis.drawing.pdf;

import entaxis.core.design.Paper;
import entaxis.drawing.paint.Drawing;
import java.util.Optional;

/**
 * A drawing on its way to paper.
 *
 * @param name  what its bookmark says
 * @param tiled whether it goes in true size over as many pages as it needs, instead of on one page
 * @param title what stands at the foot of its pages
 */
public record PrintedSheet(String name, Drawing drawing, Paper paper, boolean tiled, Optional<TitleBlock> title) { }
