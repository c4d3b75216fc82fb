package entaxis.core.design;

import java.util.Locale;

/** How the name of an element becomes the name of a table or column. */
public final class SqlName {
    private SqlName() { }

    /** Lower case, with an underscore for each run of white space, hyphens or slashes; every other character stays, to be quoted where SQL asks for it. */
    public static String of(String name) {
        return name.strip().toLowerCase(Locale.ROOT).replaceAll("[\\s\\-/‐–—]+", "_");
    }
}
