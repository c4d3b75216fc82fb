package entaxis.exchange.dictionary;

/**
 * A sheet as a document of text shows it.
 *
 * @param png    the picture as a PNG file
 * @param width  in pixels
 * @param height in pixels
 */
public record SheetPng(String name, byte[] png, int width, int height) { }
