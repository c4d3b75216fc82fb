package entaxis.web.page;

import entaxis.core.targets.Target;
import entaxis.core.word.Words;
import entaxis.web.store.DesignRow;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Arrays;
import java.util.Locale;

/** A design as its card on the first page tells it. */
record DesignCard(String id, String name, String target, long revision, String size, String changed) {

    static DesignCard of(DesignRow row) {
        return new DesignCard(row.id(), row.name(), title(row.target()), row.revision(),
                Words.counted(row.entities(), "entity") + ", " + Words.counted(row.relationships(), "relationship"),
                changed(row.changedAt()));
    }

    /** The engine's title; its name as it stands in the row where this version does not know it. */
    private static String title(String target) {
        return Arrays.stream(Target.values()).filter(known -> known.name().equals(target)).findFirst()
                .map(Target::title).orElse(target);
    }

    private static String changed(OffsetDateTime at) {
        Duration ago = Duration.between(at, OffsetDateTime.now(at.getOffset()));
        if (ago.toMinutes() < 1) {
            return "just now";
        }
        if (ago.toHours() < 1) {
            return Words.counted((int) ago.toMinutes(), "minute") + " ago";
        }
        return ago.toHours() < 24 ? Words.counted((int) ago.toHours(), "hour") + " ago"
                : at.atZoneSameInstant(ZoneId.systemDefault())
                        .format(DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH));
    }
}
