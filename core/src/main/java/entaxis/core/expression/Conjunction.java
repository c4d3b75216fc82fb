package entaxis.core.expression;

import entaxis.core.token.SqlText;
import java.util.ArrayList;
import java.util.List;

/** Conditions that all have to hold, joined by AND (ISO/IEC 9075-2, 6.39). */
public final class Conjunction {
    private Conjunction() { }

    /** The conditions of a conjunction as they are written, without brackets around them; the whole if it is none. */
    public static List<String> parts(String condition) {
        SqlText text = SqlText.of(condition);
        List<String> parts = new ArrayList<>();
        split(text, 0, text.size(), parts);
        return List.copyOf(parts);
    }

    /** Conditions as one, in the order in which they are given. */
    public static String of(List<String> parts) {
        return parts.size() == 1 ? parts.getFirst() : "(" + String.join(") AND (", parts) + ")";
    }

    private static void split(SqlText text, int begin, int end, List<String> parts) {
        int from = begin;
        int to = end;
        while (text.is(from, "(") && text.closing(from) == to - 1) {
            from++;
            to--;
        }
        List<Integer> joints = joints(text, from, to);
        if (joints.isEmpty()) {
            parts.add(text.between(from, to));
            return;
        }
        int start = from;
        for (int joint : joints) {
            split(text, start, joint, parts);
            start = joint + 1;
        }
        split(text, start, to, parts);
    }

    /** Where AND joins conditions outside of brackets; nowhere if there is an OR beside them, which binds less. */
    private static List<Integer> joints(SqlText text, int from, int to) {
        List<Integer> joints = new ArrayList<>();
        int inside = 0;
        boolean between = false;
        for (int at = from; at < to; at++) {
            inside += text.is(at, "(") || text.is(at, "[") || text.is(at, "case") ? 1
                    : text.is(at, ")") || text.is(at, "]") || text.is(at, "end") ? -1 : 0;
            if (inside == 0 && text.is(at, "or")) {
                return List.of();
            }
            if (inside == 0 && text.is(at, "and")) {
                if (!between) {
                    joints.add(at);
                }
                between = false;
            } else if (inside == 0 && text.is(at, "between")) {
                between = true;
            }
        }
        return joints;
    }
}
