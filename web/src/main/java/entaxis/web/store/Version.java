package entaxis.web.store;

import java.time.OffsetDateTime;

/** A state of a design that somebody gave a name. */
public record Version(String name, long revision, OffsetDateTime namedAt) { }
