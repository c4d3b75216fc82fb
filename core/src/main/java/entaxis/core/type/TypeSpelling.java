package entaxis.core.type;

import java.util.List;

/**
 * A type as it stands in a script, cut into its parts.
 *
 * @param name      its words in lower case with one blank between, such as {@code character varying}
 * @param arguments what stands in its brackets
 * @param unsigned  whether it is marked as unsigned
 * @param text      the whole as written
 */
public record TypeSpelling(String name, List<String> arguments, boolean unsigned, String text) {
    /** Copies the arguments. */
    public TypeSpelling {
        arguments = List.copyOf(arguments);
    }

    /** The argument at a place as a number; none if there is no such argument or it is none. */
    public java.util.OptionalInt number(int place) {
        if (place >= arguments.size()) {
            return java.util.OptionalInt.empty();
        }
        String digits = arguments.get(place);
        int blank = digits.indexOf(' ');
        try {
            return java.util.OptionalInt.of(Integer.parseInt(blank < 0 ? digits : digits.substring(0, blank)));
        } catch (NumberFormatException tooLongOrNoNumber) {
            return java.util.OptionalInt.empty();
        }
    }
}
