package entaxis.drawing.text;

import java.io.InputStream;

/** The styles in which text stands on a sheet; sizes in sheet units. */
public enum TextStyle {
    NAME("SourceSans3-Bold.ttf", "Source Sans 3", 14, 700, false),
    ROW("SourceSans3-Regular.ttf", "Source Sans 3", 13, 400, false),
    MARK("SourceSans3-Regular.ttf", "Source Sans 3", 12, 400, false),
    RANK("SourceSans3-Bold.ttf", "Source Sans 3", 12, 700, false),
    VERB("SourceSans3-It.ttf", "Source Sans 3", 13, 400, true),
    TYPE("SourceCodePro-Regular.ttf", "Source Code Pro", 12, 400, false);

    private final String file;
    private final String family;
    private final int size;
    private final int weight;
    private final boolean italic;

    TextStyle(String file, String family, int size, int weight, boolean italic) {
        this.file = file;
        this.family = family;
        this.size = size;
        this.weight = weight;
        this.italic = italic;
    }

    /** Name of the font file. */
    public String file() {
        return file;
    }

    /**
     * The bytes of the font file, which comes with the application; one that is not there is a fault of the package.
     */
    public InputStream open() {
        InputStream bytes = TextStyle.class.getResourceAsStream("/entaxis/drawing/fonts/" + file);
        if (bytes == null) {
            throw new IllegalStateException("The font " + file + " is missing from the application");
        }
        return bytes;
    }

    /** Name of the font family. */
    public String family() {
        return family;
    }

    /** Height of the em square. */
    public int size() {
        return size;
    }

    /** Weight as CSS counts it. */
    public int weight() {
        return weight;
    }

    /** Whether it slants. */
    public boolean italic() {
        return italic;
    }
}
