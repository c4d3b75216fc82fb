package entaxis.core.design;

import java.util.regex.Pattern;

/** The common shape of opaque identifiers: a letter that tells the kind, then up to 24 letters or digits. */
final class Ids {
    private static final Pattern SHAPE = Pattern.compile("[a-z][0-9a-z]{1,24}");

    private Ids() { }

    static void check(char kind, String value) {
        if (!SHAPE.matcher(value).matches() || value.charAt(0) != kind) {
            throw new IllegalArgumentException("“" + value + "” is not an identifier of this kind");
        }
    }
}
