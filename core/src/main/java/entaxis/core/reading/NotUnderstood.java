package entaxis.core.reading;

/**
 * A statement or clause that could not be read.
 *
 * @param file   where it stands, as the caller named it
 * @param line   the line at which reading stopped, counted from 1
 * @param column the sign in that line, counted from 1
 * @param text   a few words from there on
 * @param reason why
 * @param offset the sign in the file, counted from 0
 * @param conflict whether the statement is well formed, and speaks of what is not there or makes what is there
 */
public record NotUnderstood(String file, int line, int column, String text, String reason, int offset,
        boolean conflict) { }
