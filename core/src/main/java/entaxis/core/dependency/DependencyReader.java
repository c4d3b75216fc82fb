package entaxis.core.dependency;

import entaxis.core.dependency.Dependency.Functional;
import entaxis.core.dependency.Dependency.Multivalued;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Reads dependencies in textbook notation: {@code a, b -> c} and {@code a ->> b}; the arrows → and ↠ are understood
 * too, and names in any case of letters.
 */
public final class DependencyReader {
    /** What a line says, or what is wrong with it. */
    public sealed interface Line {
        /** A dependency. */
        record ReadDependency(Dependency dependency) implements Line { }

        /** A line that is not understood, with where from 0 and why. */
        record Fault(int at, String message) implements Line { }

        /** A line without a dependency: empty, or only a comment. */
        record Empty() implements Line { }
    }

    private final List<String> attributes;

    /** Reads of these attributes. */
    public DependencyReader(List<String> attributes) {
        this.attributes = List.copyOf(attributes);
    }

    /** Reads one line. */
    public Line line(String text) {
        int comment = text.indexOf('#');
        String line =
                (comment < 0 ? text : text.substring(0, comment)).replace("\u21A0", "->>").replace("\u2192", "->");
        if (line.isBlank()) {
            return new Line.Empty();
        }
        int arrow = line.indexOf("->");
        if (arrow < 0) {
            return new Line.Fault(line.stripTrailing().length(),
                    "An arrow is missing: write what decides, then -> and what it decides, as in a, b -> c.");
        }
        boolean many = line.startsWith("->>", arrow);
        int after = arrow + (many ? 3 : 2);
        if (line.indexOf("->", after) >= 0) {
            return new Line.Fault(line.indexOf("->", after), "There are two arrows. Write one dependency a line.");
        }
        List<Integer> left = new ArrayList<>();
        List<Integer> right = new ArrayList<>();
        Optional<Line.Fault> fault = names(line, 0, arrow, left).or(() -> names(line, after, line.length(), right));
        if (fault.isPresent()) {
            return fault.get();
        }
        if (right.isEmpty()) {
            return new Line.Fault(line.stripTrailing().length(),
                    "Nothing follows the arrow. Name at least one attribute.");
        }
        AttributeSet determinant = AttributeSet.of(left.stream().mapToInt(Integer::intValue).toArray());
        AttributeSet dependent = AttributeSet.of(right.stream().mapToInt(Integer::intValue).toArray());
        return new Line.ReadDependency(many ? new Multivalued(determinant, dependent)
                : new Functional(determinant, dependent));
    }

    private Optional<Line.Fault> names(String line, int from, int to, List<Integer> places) {
        int at = from;
        String part = line.substring(from, to);
        if (part.isBlank()) {
            return Optional.empty();
        }
        for (String piece : part.split(",", -1)) {
            int start = at + piece.length() - piece.stripLeading().length();
            String name = piece.strip();
            at += piece.length() + 1;
            if (name.isEmpty()) {
                return Optional.of(new Line.Fault(start, "A name is missing beside this comma."));
            }
            Optional<Integer> place = place(name);
            if (place.isEmpty()) {
                return Optional.of(new Line.Fault(start, "There is no attribute “" + name + "”." + near(name)));
            }
            places.add(place.get());
        }
        return Optional.empty();
    }

    private Optional<Integer> place(String name) {
        int exact = attributes.indexOf(name);
        if (exact >= 0) {
            return Optional.of(exact);
        }
        List<Integer> same = new ArrayList<>();
        for (int i = 0; i < attributes.size(); i++) {
            if (attributes.get(i).equalsIgnoreCase(name)) {
                same.add(i);
            }
        }
        return same.size() == 1 ? Optional.of(same.getFirst()) : Optional.empty();
    }

    private String near(String name) {
        String wanted = name.toLowerCase(Locale.ROOT);
        return attributes.stream()
                .filter(other -> distance(wanted, other.toLowerCase(Locale.ROOT)) <= Math.max(1, wanted.length() / 4))
                .min((a, b) -> Integer.compare(distance(wanted, a.toLowerCase(Locale.ROOT)),
                        distance(wanted, b.toLowerCase(Locale.ROOT))))
                .map(other -> " Is “" + other + "” meant?").orElse("");
    }

    /** How many letters must be put in, taken out or exchanged (V. Levenshtein, 1965). */
    private static int distance(String a, String b) {
        int[] row = new int[b.length() + 1];
        for (int j = 0; j <= b.length(); j++) {
            row[j] = j;
        }
        for (int i = 1; i <= a.length(); i++) {
            int diagonal = row[0];
            row[0] = i;
            for (int j = 1; j <= b.length(); j++) {
                int cost = Math.min(Math.min(row[j], row[j - 1]) + 1,
                        diagonal + (a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1));
                diagonal = row[j];
                row[j] = cost;
            }
        }
        return row[b.length()];
    }
}
