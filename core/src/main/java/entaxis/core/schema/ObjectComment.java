package entaxis.core.schema;

/**
 * What a database keeps as the comment of a view, routine, trigger or rule, or of a column of a view.
 *
 * @param column the column of the view; empty for the whole
 * @param text   the comment
 */
public record ObjectComment(String column, String text) { }
