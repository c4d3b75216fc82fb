package entaxis.web.store;

import java.time.OffsetDateTime;

/** A design as the list of designs shows it. */
public record DesignRow(String id, String name, String target, long revision, int entities, int relationships,
        OffsetDateTime createdAt,
        OffsetDateTime changedAt) { }
