package entaxis.drawing.paint;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import entaxis.core.design.Area;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Colours can be told apart from their ground, on light pages and dark ones: Web Content Accessibility Guidelines 2.2
 * (W3C), 1.4.3 for text and 1.4.11 for lines, by the contrast ratio that they define.
 */
class ColoursTest {
    private static final Pattern TOKEN = Pattern.compile("--([\\w-]+): (#[0-9A-F]{6});");

    private static Map<String, String> colours(boolean dark) throws IOException {
        String text = new String(ColoursTest.class.getResourceAsStream("/static/css/colours.css").readAllBytes(),
                StandardCharsets.UTF_8);
        int darkBlock = text.indexOf("[data-theme");
        Map<String, String> colours = tokens(text.substring(0, darkBlock));
        if (dark) {
            colours.putAll(tokens(text.substring(darkBlock)));
        }
        return colours;
    }

    private static Map<String, String> tokens(String text) {
        Map<String, String> tokens = new HashMap<>();
        Matcher matcher = TOKEN.matcher(text);
        while (matcher.find()) {
            tokens.put(matcher.group(1), matcher.group(2));
        }
        return tokens;
    }

    private static double channel(String colour, int from) {
        double part = Integer.parseInt(colour.substring(from, from + 2), 16) / 255.0;
        return part <= 0.04045 ? part / 12.92 : Math.pow((part + 0.055) / 1.055, 2.4);
    }

    private static double luminance(String colour) {
        return 0.2126 * channel(colour, 1) + 0.7152 * channel(colour, 3) + 0.0722 * channel(colour, 5);
    }

    private static double contrast(String one, String other) {
        double first = luminance(one);
        double second = luminance(other);
        return (Math.max(first, second) + 0.05) / (Math.min(first, second) + 0.05);
    }

    /** The guidelines' own extremes: black on white is 21 to 1, a colour on itself 1 to 1. */
    @Test
    void contrastIsThatOfTheGuidelines() {
        assertThat(contrast("#000000", "#FFFFFF")).isEqualTo(21);
        assertThat(contrast("#777777", "#777777")).isEqualTo(1);
        assertThat(contrast("#777777", "#FFFFFF")).isBetween(4.4, 4.5);
    }

    @ParameterizedTest
    @CsvSource({"ink, paper", "ink, card", "ink, note", "ink, field", "ink, surround", "ink, soft", "ink-2, paper",
        "ink-2, card", "ink-2, field", "ink-2, surround", "lead, paper", "lead, field", "lead, lead-wash",
        "on-lead, lead", "on-lead, lead-strong", "madder, paper", "madder, card", "madder, field", "ochre, paper",
        "ochre, card", "ochre, field", "moss, paper", "sql-type, field", "sql-text, field", "sql-name, field"})
    void textCanBeReadOnItsGround(String text, String ground) throws IOException {
        for (boolean dark : new boolean[] {false, true}) {
            Map<String, String> colours = colours(dark);
            assertThat(contrast(colours.get(text), colours.get(ground))).as("%s on %s, dark: %s", text, ground, dark)
                    .isGreaterThanOrEqualTo(4.5);
        }
    }

    @Test
    void numeralsCanBeReadOnEveryHue() {
        for (int hue = 0; hue < Area.HUES; hue++) {
            assertThat(contrast(Ink.NUMERAL, Ink.hue(OptionalInt.of(hue)))).as("hue %s", hue)
                    .isGreaterThanOrEqualTo(4.5);
        }
        assertThat(contrast(Ink.NUMERAL, Ink.hue(OptionalInt.empty()))).isGreaterThanOrEqualTo(4.5);
    }

    @Test
    void linesCanBeSeen() throws IOException {
        for (boolean dark : new boolean[] {false, true}) {
            Map<String, String> colours = colours(dark);
            assertThat(contrast(colours.get("ink-line"), colours.get("paper"))).isGreaterThanOrEqualTo(3);
        }
    }

    @Test
    void drawingsHaveTheColoursOfPages() throws IOException {
        Map<String, String> light = colours(false);
        assertThat(Ink.INK).isEqualTo(light.get("ink"));
        assertThat(Ink.FAULT).isEqualTo(light.get("madder"));
        assertThat(Ink.hue(OptionalInt.of(9))).isEqualTo(light.get("hue-1"));
        assertThatThrownBy(() -> Colours.light("mauve")).isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("mauve");
    }

    @Test
    void everyColourOfADarkDrawingIsOneThatChanges() throws IOException {
        Map<String, String> light = colours(false);
        Map<String, String> dark = colours(true);
        Matcher used = Pattern.compile("\\[(fill|stroke)=\"(#\\w{6})\"] \\{ \\1: var\\(--([\\w-]+)\\); }")
                .matcher(Ink.dark(".drawn"));
        int rules = 0;
        while (used.find()) {
            rules++;
            assertThat(light).containsValue(used.group(2));
            assertThat(dark.get(used.group(3))).isNotEqualTo(light.get(used.group(3)));
        }
        assertThat(rules).isEqualTo((int) Ink.dark(".drawn").lines().count()).isGreaterThan(10);
    }
}
