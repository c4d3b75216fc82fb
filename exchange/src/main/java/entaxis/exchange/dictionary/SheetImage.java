package entaxis.exchange.dictionary;

/**
 * A sheet as a dictionary shows it.
 *
 * @param svg an SVG document whose cards lead to their entries
 */
public record SheetImage(String name, String svg) { }
