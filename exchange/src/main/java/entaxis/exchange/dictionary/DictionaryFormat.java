package entaxis.exchange.dictionary;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** Formats in which a dictionary is saved. */
public enum DictionaryFormat {
    HTML("html", "text/html;charset=UTF-8"), PDF("pdf", "application/pdf"),
    DOCX("docx", "application/vnd.openxmlformats-officedocument.wordprocessingml.document"),
    XLSX("xlsx", "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"),
    MARKDOWN("md", "text/markdown;charset=UTF-8"), CSV("csv", "text/csv;charset=UTF-8");

    private final String extension;
    private final String type;

    DictionaryFormat(String extension, String type) {
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
    public static Optional<DictionaryFormat> ofFile(String name) {
        String end = name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
        return Arrays.stream(values()).filter(format -> format.extension.equals(end)).findFirst();
    }
}
