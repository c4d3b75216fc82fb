package entaxis.drawing.file;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** Formats in which sheets are saved. */
public enum Format {
    PDF("pdf", "application/pdf"), SVG("svg", "image/svg+xml"), PNG("png", "image/png"), JPEG("jpg", "image/jpeg");

    private final String extension;
    private final String type;

    Format(String extension, String type) {
        this.extension = extension;
        this.type = type;
    }

    /** The end of a file's name. */
    public String extension() {
        return extension;
    }

    /** The media type. */
    public String type() {
        return type;
    }

    /** The format of a file by the end of its name. */
    public static Optional<Format> ofFile(String name) {
        String end = name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
        return Arrays.stream(values())
                .filter(format -> format.extension.equals(end) || format == JPEG && end.equals("jpeg")).findFirst();
    }
}
