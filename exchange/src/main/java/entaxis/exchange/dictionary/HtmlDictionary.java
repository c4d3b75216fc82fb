package entaxis.exchange.dictionary;

import entaxis.core.dictionary.Dictionary;
import entaxis.core.dictionary.Dictionary.AttributeEntry;
import entaxis.core.dictionary.Dictionary.EntityEntry;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;

/**
 * A dictionary as one page that needs nothing else: style, script and sheets are in it, and its own policy forbids it
 * to load anything. Each entity and attribute has an address. The page is well-formed XML too, so that what makes PDF
 * of it can read it.
 */
public final class HtmlDictionary {
    private static final String POLICY =
            "default-src 'none'; style-src 'unsafe-inline'; script-src 'unsafe-inline'; img-src data:; font-src data:";
    /** Entities that a browser shows before the rest, and in each group of the rest. */
    private static final int AT_ONCE = 50;
    private final Dictionary dictionary;
    private final Addresses addresses;
    private final boolean paper;
    private final WritingProgress progress;
    private final StringBuilder page = new StringBuilder(1 << 16);
    private final int all;
    private int written;

    private HtmlDictionary(Dictionary dictionary, boolean paper, WritingProgress progress) {
        this.progress = progress;
        this.all = (int) dictionary.entities().count();
        this.dictionary = dictionary;
        this.addresses = new Addresses(dictionary);
        this.paper = paper;
    }

    /** The page, with sheets and a line that says from when it is. */
    public static String write(Dictionary dictionary, List<SheetImage> sheets, String edition,
            WritingProgress progress) {
        return new HtmlDictionary(dictionary, false, progress).page(sheets, edition);
    }

    /**
     * The same for paper: with contents and page numbers, without search. Each sheet is only named, by {@code <object
     * data="sheet:0"/>}.
     */
    public static String forPaper(Dictionary dictionary, List<String> sheets, String edition,
            WritingProgress progress) {
        return new HtmlDictionary(dictionary, true, progress)
                .page(sheets.stream().map(name -> new SheetImage(name, "")).toList(), edition);
    }

    private String page(List<SheetImage> sheets, String edition) {
        page.append("<!DOCTYPE html>\n<html lang=\"en\"><head><meta charset=\"utf-8\" />");
        if (!paper) {
            page.append("<meta http-equiv=\"Content-Security-Policy\" content=\"").append(POLICY)
                    .append("\" /><meta name=\"viewport\" content=\"width=device-width, initial-scale=1\" />");
        }
        page.append("<title>").append(escaped(dictionary.title())).append("</title><style>")
                .append(resource(paper ? "paper.css" : "page.css")).append("</style></head><body>");
        page.append("<header><h1>").append(escaped(dictionary.title())).append("</h1><p>Data dictionary")
                .append(dictionary.author().isBlank() ? "" : " · " + escaped(dictionary.author()))
                .append(" · for ").append(escaped(dictionary.target())).append(" · ").append(escaped(edition))
                .append("</p>");
        if (!paper) {
            page.append(
                    "<p><label>Search <input id=\"search\" type=\"search\" /></label> <span id=\"found\" "
                            + "role=\"status\"></span></p>");
        }
        page.append("</header>");
        contents();
        page.append("<main>");
        for (int i = 0; i < sheets.size(); i++) {
            page.append("<section class=\"sheet\"><h2>").append(escaped(sheets.get(i).name())).append("</h2>");
            page.append(paper ? "<object type=\"application/x-sheet\" data=\"sheet:" + i + "\"></object>"
                    : "<div class=\"drawing\">" + sheets.get(i).svg() + "</div>").append("</section>");
        }
        dictionary.parts().forEach(part -> {
            page.append("<section class=\"part\"><h2>").append(escaped(part.name())).append("</h2>");
            entities(part.entities());
            page.append("</section>");
        });
        types();
        programs();
        page.append("</main>");
        if (!paper) {
            page.append("<script>//<![CDATA[\n").append(resource("page.js")).append("\n//]]></script>");
        }
        return page.append("</body></html>").toString();
    }

    private void contents() {
        page.append("<nav aria-label=\"Contents\"><h2>Contents</h2><ul>");
        dictionary.parts().forEach(part -> {
            page.append("<li>").append(escaped(part.name())).append("<ul>");
            part.entities().forEach(entity -> page.append("<li><a href=\"#").append(addresses.of(entity)).append("\">")
                    .append(escaped(entity.name())).append("</a></li>"));
            page.append("</ul></li>");
        });
        page.append("</ul></nav>");
    }

    /**
     * The first entities as they are; the others in groups that a browser reads as mere text until the page's script
     * brings them in, bit by bit, once the page is on the screen. Without scripts they are there from the beginning.
     */
    private void entities(List<EntityEntry> entities) {
        boolean later = false;
        for (EntityEntry entity : entities) {
            if (!paper && written >= AT_ONCE && (!later || written % AT_ONCE == 0)) {
                page.append(later ? "</noscript>" : "").append("<noscript class=\"later\">");
                later = true;
            }
            entity(entity);
        }
        page.append(later ? "</noscript>" : "");
    }

    private void entity(EntityEntry entity) {
        progress.at(written++, all);
        String address = addresses.of(entity);
        page.append("<section class=\"entity\" id=\"").append(address).append("\"><h3><a href=\"#").append(address)
                .append("\">").append(escaped(entity.name())).append("</a></h3>");
        if (!entity.meaning().isBlank()) {
            page.append("<p class=\"what\">").append(escaped(entity.meaning())).append("</p>");
        }
        if (!entity.attributes().isEmpty()) {
            page.append("<table><thead><tr><th>Key</th><th>Attribute</th><th>Type</th><th>")
                    .append(escaped(dictionary.target()))
                    .append("</th><th>Value</th><th>Default</th><th>Allowed</th>"
                            + "<th>Meaning</th><th>Example</th></tr></thead><tbody>");
            entity.attributes().forEach(attribute -> row(address, attribute));
            page.append("</tbody></table>");
        }
        page.append(entity.readings().isEmpty() ? "" : "<ul>");
        entity.readings().forEach(reading -> {
            page.append("<li>Each <i>").append(escaped(reading.subject())).append("</i> <b>")
                    .append(escaped(reading.verb())).append("</b> ").append(escaped(reading.number()))
                    .append(" <i>").append(escaped(reading.object())).append("</i>.");
            reading.assumptions().forEach(
                    assumed -> page.append(" (").append(assumed.number()).append(") ").append(escaped(assumed.text())));
            page.append("</li>");
        });
        page.append(entity.readings().isEmpty() ? "" : "</ul>");
        lines("", entity.keys());
        lines("condition: ", entity.rules());
        lines("", entity.indexes());
        lines("accepted: ", entity.accepted());
        page.append("</section>");
    }

    private void lines(String before, List<String> lines) {
        lines.forEach(line -> page.append("<p class=\"rule\">").append(before).append(escaped(line)).append("</p>"));
    }

    private void row(String address, AttributeEntry attribute) {
        page.append("<tr id=\"").append(address).append('.').append(escaped(attribute.name())).append("\"><td>")
                .append(escaped(attribute.keyText())).append("</td><td")
                .append(attribute.rank() > 0 ? " class=\"in-key\"" : "").append('>').append(escaped(attribute.name()))
                .append("</td>");
        for (String text : List.of(attribute.type(), attribute.targetType())) {
            page.append("<td class=\"code\">").append(escaped(text)).append("</td>");
        }
        page.append("<td>").append(attribute.valueText()).append("</td>");
        for (String text : List.of(attribute.defaultValue(), attribute.values())) {
            page.append("<td class=\"code\">").append(escaped(text)).append("</td>");
        }
        page.append("<td>").append(escaped(attribute.says())).append("</td><td class=\"code\">")
                .append(escaped(attribute.example())).append("</td></tr>");
    }

    private void types() {
        if (dictionary.types().isEmpty()) {
            return;
        }
        page.append(
                "<section class=\"part\"><h2>Types</h2><table><thead><tr><th>Name</th><th>Kind</th><th>Made "
                        + "of</th><th>Meaning</th></tr></thead><tbody>");
        dictionary.types().forEach(type -> {
            page.append("<tr>");
            type.cells().forEach(text -> page.append("<td>").append(escaped(text)).append("</td>"));
            page.append("</tr>");
        });
        page.append("</tbody></table></section>");
    }

    private void programs() {
        if (dictionary.programs().isEmpty()) {
            return;
        }
        page.append("<section class=\"part\"><h2>Views, routines and sequences</h2>");
        dictionary.programs()
                .forEach(program -> page.append("<h3>").append(escaped(program.name())).append(", ")
                        .append(escaped(program.kind())).append("</h3><pre>")
                .append(escaped(program.text())).append("</pre>"));
        page.append("</section>");
    }

    private static String resource(String name) {
        try (InputStream file = HtmlDictionary.class.getResourceAsStream(name)) {
            if (file == null) {
                throw new IllegalStateException(name + " is missing from the application");
            }
            return new String(file.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * Text safe inside an element or a quoted attribute of HTML and of XML; characters that XML forbids are left out.
     */
    static String escaped(String text) {
        StringBuilder safe = new StringBuilder(text.length() + 8);
        text.codePoints().forEach(point -> {
            switch (point) {
                case '<' -> safe.append("&lt;");
                case '>' -> safe.append("&gt;");
                case '&' -> safe.append("&amp;");
                case '"' -> safe.append("&quot;");
                case '\'' -> safe.append("&#39;");
                default -> {
                    if (point >= 0x20 && point != 0xFFFE && point != 0xFFFF && !(point >= 0xD800 && point <= 0xDFFF)
                            || point == '\n' || point == '\t') {
                        safe.appendCodePoint(point);
                    }
                }
            }
        });
        return safe.toString();
    }
}
