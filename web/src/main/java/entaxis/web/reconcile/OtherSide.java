package entaxis.web.reconcile;

import entaxis.core.schema.Schema;
import entaxis.core.targets.Target;
import java.time.Instant;
import java.util.List;

/**
 * The other side of a comparison, as it was read.
 *
 * @param key    what it is asked for by
 * @param title  what it is called
 * @param engine the engine that both sides are compared in
 * @param schema its schema as that engine holds it
 * @param live   whether scripts can be run on it
 * @param design whether it is a design
 * @param readAt when it was read
 * @param unread what a script has that is not read, by kind
 */
public record OtherSide(String key, String title, Target engine, Schema schema, boolean live, boolean design,
        Instant readAt, List<String> unread) {
    /** A side that was read as a whole. */
    public OtherSide(String key, String title, Target engine, Schema schema, boolean live, boolean design,
            Instant readAt) {
        this(key, title, engine, schema, live, design, readAt, List.of());
    }

    /** What it is called in a sentence. */
    public String called() {
        return "the " + noun();
    }

    /** What kind of side it is, in one or two words. */
    public String noun() {
        return live ? "database" : key.startsWith(Sides.SCRIPT) ? "script"
                : key.startsWith(Sides.VERSION) ? "version" : "other design";
    }
}
