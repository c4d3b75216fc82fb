package entaxis.core.review;

import entaxis.core.change.Change;

/**
 * A way to set a finding right, in one step that can be undone.
 *
 * @param words what is done, as a button says it
 */
public record SuggestedChange(String words, Change change) { }
