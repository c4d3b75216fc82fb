package entaxis.core.design;

/**
 * A text on a sheet.
 *
 * @param text  Markdown
 * @param width in sheet units; the height follows from the text
 */
public record Note(NoteId id, String text, Place place, int width) implements Elements.Element<NoteId> { }
