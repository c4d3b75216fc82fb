package entaxis.web.store;

/** A whole design at a revision. */
public record SnapshotRow(long revision, String designJson) { }
