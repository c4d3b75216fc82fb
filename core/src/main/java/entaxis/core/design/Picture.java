package entaxis.core.design;

/**
 * A picture on a sheet.
 *
 * @param content key of its bytes, which are kept beside the design and never change
 * @param title   what it shows, for those who cannot see it
 * @param width   in sheet units
 * @param height  in sheet units
 */
public record Picture(PictureId id, String content, String title, Place place, int width, int height)
        implements Elements.Element<PictureId> { }
