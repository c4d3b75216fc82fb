package entaxis.core.statement;

/**
 * A statement, or a part of one, that is not understood.
 *
 * @param place   the sign at which it stopped being understood, counted from 0
 * @param excerpt a few words from there on
 * @param reason  why
 */
public record SyntaxError(int place, String excerpt, String reason) implements Statement, TableElement { }
