package entaxis.core.dependency;

import java.util.List;

/**
 * What can come next in dependencies that are being typed: attributes that begin as the last word does.
 *
 * @param from offset of the first character that an option replaces
 */
public record DependencyCompletion(int from, List<String> options) {
    private static final int MAX_COUNT = 8;

    /** What fits a text whose end is where one types. */
    public static DependencyCompletion of(String text, List<String> attributes) {
        int from = Math.max(Math.max(text.lastIndexOf('\n'), text.lastIndexOf(',')), text.lastIndexOf('>')) + 1;
        while (from < text.length() && text.charAt(from) == ' ') {
            from++;
        }
        String begun = text.substring(from);
        return new DependencyCompletion(from, begun.isBlank() ? List.of()
                : attributes.stream()
                        .filter(name -> name.regionMatches(true, 0, begun, 0, begun.length()) && !name.equals(begun))
                        .limit(MAX_COUNT).toList());
    }
}
