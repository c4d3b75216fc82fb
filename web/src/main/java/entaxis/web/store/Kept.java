package entaxis.web.store;

/** Tells that a design has a new revision, after it was kept. */
public record Kept(String design, long revision) { }
