package entaxis.core.change;

/**
 * Why an edit was refused.
 *
 * @param field   the field that it is about, such as {@code name} or {@code type}; empty when about the edit as a whole
 * @param message what is wrong, where, and what to do, in one or two sentences
 */
public record Problem(String field, String message) { }
