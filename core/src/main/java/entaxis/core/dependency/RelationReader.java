package entaxis.core.dependency;

import entaxis.core.dependency.Dependency.Functional;
import entaxis.core.dependency.Dependency.Multivalued;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads relations from text: a line {@code Name(a, b, c)}, its dependencies one a line, an empty line between
 * relations; {@code #} begins a comment.
 */
public final class RelationReader {
    /** Longest list of attributes that is read. */
    public static final int MAX_ATTRIBUTES = 1000;

    private static final Pattern HEAD = Pattern.compile("\\s*([^()>]*?)\\s*\\(([^()]*)\\)\\s*");

    /** Relations, or the first thing that is wrong. */
    public record Result(List<Relation> relations, Optional<Fault> fault) { }

    /** What is wrong, and in which line from 1. */
    public record Fault(int line, String message) { }

    private final List<Relation> relations = new ArrayList<>();
    private String name = "";
    private List<String> attributes = List.of();
    private List<Functional> functional = new ArrayList<>();
    private List<Multivalued> multivalued = new ArrayList<>();

    private RelationReader() { }

    /** Reads all relations of a text. */
    public static Result read(String text) {
        RelationReader reader = new RelationReader();
        List<String> lines = text.lines().toList();
        for (int i = 0; i < lines.size(); i++) {
            Optional<String> fault = reader.line(lines.get(i));
            if (fault.isPresent()) {
                return new Result(List.of(), Optional.of(new Fault(i + 1, fault.get())));
            }
        }
        reader.finish();
        return reader.relations.isEmpty()
                ? new Result(List.of(),
                        Optional.of(new Fault(1, "there is no relation; begin with a line such as Name(a, b, c)")))
                : new Result(List.copyOf(reader.relations), Optional.empty());
    }

    private Optional<String> line(String text) {
        String line = text.replaceFirst("#.*", "");
        if (line.isBlank()) {
            if (text.isBlank()) {
                finish();
            }
            return Optional.empty();
        }
        Matcher head = HEAD.matcher(line);
        if (!line.contains("->") && !line.contains("\u2192") && !line.contains("\u21A0") && head.matches()) {
            finish();
            return head(head.group(1), head.group(2));
        }
        if (attributes.isEmpty()) {
            return Optional.of("a relation is missing before this line; begin with a line such as Name(a, b, c)");
        }
        return switch (new DependencyReader(attributes).line(line)) {
            case DependencyReader.Line.Empty() -> Optional.empty();
            case DependencyReader.Line.Fault(int at, String message) ->
                    Optional.of("column " + (at + 1) + ": " + message);
            case DependencyReader.Line.ReadDependency(Functional dependency) -> {
                functional.add(dependency);
                yield Optional.empty();
            }
            case DependencyReader.Line.ReadDependency(Multivalued dependency) -> {
                multivalued.add(dependency);
                yield Optional.empty();
            }
        };
    }

    private Optional<String> head(String relation, String list) {
        if (relation.isBlank()) {
            return Optional.of("the relation has no name; write one before the bracket, as in Name(a, b, c)");
        }
        List<String> names = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (String part : list.split(",", -1)) {
            String attribute = part.strip();
            if (attribute.isEmpty()) {
                return Optional.of("the name of an attribute is missing between the commas of " + relation);
            }
            if (!seen.add(attribute)) {
                return Optional.of("the attribute " + attribute + " stands twice in " + relation + "; leave one out");
            }
            names.add(attribute);
        }
        if (names.size() > MAX_ATTRIBUTES) {
            return Optional.of("more than " + MAX_ATTRIBUTES + " attributes are not read");
        }
        name = relation;
        attributes = names;
        return Optional.empty();
    }

    private void finish() {
        if (!attributes.isEmpty()) {
            relations.add(new Relation(name, attributes, functional, multivalued));
        }
        attributes = List.of();
        functional = new ArrayList<>();
        multivalued = new ArrayList<>();
    }
}
