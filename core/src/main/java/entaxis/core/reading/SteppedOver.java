package entaxis.core.reading;

/**
 * A statement or clause that says nothing about what tables are, and was passed on purpose.
 *
 * @param file where it stands, as the caller named it
 * @param line its first line, counted from 1
 * @param kind what it is
 */
public record SteppedOver(String file, int line, String kind) { }
