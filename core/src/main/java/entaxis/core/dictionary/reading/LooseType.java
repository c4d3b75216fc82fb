package entaxis.core.dictionary.reading;

import entaxis.core.type.SqlType;
import entaxis.core.type.TypeReader;
import entaxis.core.type.TypeReading.Known;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads types as people write them who do not think in SQL: “Text (50)”, “whole number”, “yes/no”, “Varchar 20”. */
final class LooseType {
    private static final Pattern SIZED = Pattern.compile(
            "(?<word>[^\\d(,]+?)\\s*\\(?\\s*(?<size>\\d{1,8})(?:\\s*[,.]\\s*(?<scale>\\d{1,"
                    + "4}))?\\s*(?:characters|chars|char|digits|bytes)?\\s*\\)?");
    private static final String STRING = "varchar";
    /** Words for types; those that take a size say so by ending in an opening parenthesis. */
    private static final Map<String, String> WORDS = Map.ofEntries(Map.entry("text", STRING),
            Map.entry("string", STRING), Map.entry("short text", STRING),
            Map.entry("alphanumeric", STRING), Map.entry("alphanumerical", STRING), Map.entry("alpha", STRING),
            Map.entry("a", STRING), Map.entry("an", STRING), Map.entry("character varying", STRING),
            Map.entry("nvarchar", STRING), Map.entry("varchar2", STRING), Map.entry("characters", STRING),
            Map.entry("char", "char"), Map.entry("nchar", "char"), Map.entry("code", STRING),
            Map.entry("memo", "text"), Map.entry("long text", "text"), Map.entry("free text", "text"),
            Map.entry("rich text", "text"), Map.entry("whole number", "integer"),
            Map.entry("integer number", "integer"), Map.entry("number (whole)", "integer"),
            Map.entry("long integer", "integer"), Map.entry("long", "bigint"), Map.entry("short", "smallint"),
            Map.entry("counter", "integer"), Map.entry("autonumber", "integer"), Map.entry("auto number", "integer"),
            Map.entry("auto-number", "integer"), Map.entry("serial", "integer"),
            Map.entry("number", "numeric"), Map.entry("numeric", "numeric"), Map.entry("n", "numeric"),
            Map.entry("num", "numeric"), Map.entry("decimal", "numeric"),
            Map.entry("decimal number", "numeric"), Map.entry("money", "numeric(12,2)"),
            Map.entry("currency", "numeric(12,2)"), Map.entry("amount", "numeric(12,2)"),
            Map.entry("price", "numeric(12,2)"), Map.entry("percent", "numeric(5,2)"),
            Map.entry("percentage", "numeric(5,2)"), Map.entry("double", "double precision"),
            Map.entry("yes/no", "boolean"), Map.entry("yes / no", "boolean"), Map.entry("y/n", "boolean"),
            Map.entry("true/false", "boolean"), Map.entry("bool", "boolean"),
            Map.entry("logical", "boolean"), Map.entry("bit", "boolean"), Map.entry("flag", "boolean"),
            Map.entry("checkbox", "boolean"), Map.entry("date/time", "timestamp"),
            Map.entry("date & time", "timestamp"), Map.entry("date and time", "timestamp"),
            Map.entry("datetime", "timestamp"), Map.entry("time stamp", "timestamp"), Map.entry("day", "date"),
            Map.entry("guid", "uuid"), Map.entry("picture", "blob"), Map.entry("image", "blob"),
            Map.entry("photo", "blob"), Map.entry("attachment", "blob"), Map.entry("document", "blob"));

    private LooseType() { }

    /**
     * The type of a text with a length that may stand in a column of its own.
     *
     * @param length digits, such as {@code 20} or {@code 9,2}; may be empty
     * @param scale  decimal places; may be empty
     */
    static Optional<SqlType> read(String text, String length, String scale) {
        String plain = text.strip();
        String size = size(length, scale);
        if (!size.isEmpty() && !plain.matches(".*\\d.*")) {
            Optional<SqlType> sized = worded(plain, size).or(() -> known(plain + "(" + size + ")"));
            if (sized.isPresent()) {
                return sized;
            }
        }
        return plain.equalsIgnoreCase("text") ? known("text") : known(plain).or(() -> loosely(plain));
    }

    /** Whether the engine is to number it. */
    static boolean numbered(String text) {
        return text.toLowerCase(Locale.ROOT)
                .matches(".*(auto[- ]?number|auto[- _]?increment|serial|identity|counter).*");
    }

    private static String size(String length, String scale) {
        String digits = length.replaceAll("\\.0+$", "").replace('.', ',').replaceAll("[^\\d,]", "");
        return digits.matches("\\d{1,8}(,\\d{1,4})?")
                ? digits + (scale.matches("\\d{1,4}(\\.0+)?") && !digits.contains(",")
                        ? "," + scale.replaceAll("\\..*", "") : "")
                : "";
    }

    private static Optional<SqlType> loosely(String text) {
        Matcher matcher = SIZED.matcher(text);
        if (matcher.matches()) {
            String size = matcher.group("size") + (matcher.group("scale") == null ? "" : "," + matcher.group("scale"));
            return worded(matcher.group("word"), size)
                    .or(() -> known(matcher.group("word").strip() + "(" + size + ")"));
        }
        return Optional.ofNullable(WORDS.get(word(text))).flatMap(LooseType::known);
    }

    /** A word for a type with a size; whole numbers and the like take none. */
    private static Optional<SqlType> worded(String text, String size) {
        return Optional.ofNullable(WORDS.get(word(text))).flatMap(sql -> known(
                sql.equals(STRING) || sql.equals("char") || sql.equals("numeric") ? sql + "(" + size + ")" : sql));
    }

    private static String word(String text) {
        return text.strip().toLowerCase(Locale.ROOT).replaceAll("\\s+", " ");
    }

    private static Optional<SqlType> known(String text) {
        return TypeReader.read(text) instanceof Known(SqlType type) ? Optional.of(type) : Optional.empty();
    }
}
