package entaxis.core.review;

/**
 * What a finding is about.
 *
 * @param kind what sort of thing
 * @param id   the element that is selected to look at it: for an attribute its entity
 * @param name as the table, the column ({@code table.column}) or the thing itself is called
 */
public record About(Kind kind, String id, String name) {
    /** Sorts of things. */
    public enum Kind { ENTITY, ATTRIBUTE, RELATIONSHIP, INDEX, TYPE, SHEET, VIEW, ROUTINE, ROW }
}
