package entaxis.drawing.paint;

import entaxis.drawing.geometry.Point;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Parts of a drawing that belong together.
 *
 * @param id     identity on the sheet; may be empty
 * @param kind   what it is, such as {@code card} or {@code line}
 * @param facts  what is known of it, name after value, for surfaces that are looked at live
 * @param offset how far its parts are moved
 * @param scale  how much larger its parts are drawn than they say
 * @param title  its name in words; may be empty
 */
public record Group(String id, String kind, List<Fact> facts, Optional<Point> offset, double scale, String title) {
    /** Something known of a group. */
    public record Fact(String name, String value) { }

    /** Copies the facts. */
    public Group {
        facts = List.copyOf(facts);
    }

    /** A group that is only a kind of thing. */
    public static Group of(String kind) {
        return new Group("", kind, List.of(), Optional.empty(), 1, "");
    }

    /** A group with an identity. */
    public static Group of(String id, String kind) {
        return new Group(id, kind, List.of(), Optional.empty(), 1, "");
    }

    /** The same with one more fact. */
    public Group with(String name, String value) {
        List<Fact> more = new ArrayList<>(facts);
        more.add(new Fact(name, value));
        return new Group(id, kind, more, offset, scale, title);
    }

    /** The same, moved. */
    public Group at(double x, double y) {
        return new Group(id, kind, facts, Optional.of(new Point(x, y)), scale, title);
    }

    /** The same, drawn larger or smaller; the offset is not. */
    public Group scaled(double by) {
        return new Group(id, kind, facts, offset, by, title);
    }

    /** The same with a name. */
    public Group titled(String words) {
        return new Group(id, kind, facts, offset, scale, words);
    }
}
