package entaxis.web.page;

import entaxis.core.design.SqlName;

/** Names of downloaded files. */
final class FileName {
    private FileName() { }

    /** A plain file name made of a design's name. */
    static String of(String name, String extension) {
        String plain = SqlName.of(name).replaceAll("[^\\p{L}\\p{N}_]+", "");
        return (plain.isEmpty() ? "design" : plain) + "." + extension;
    }
}
