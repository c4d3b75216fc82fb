package entaxis.drawing.paint;

import entaxis.drawing.geometry.Box;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.util.ArrayList;
import java.util.List;

/**
 * A name as large as a box allows, broken into lines between its words: what is shown of something whose details would
 * be too small to read.
 *
 * @param lines the name's words, line by line
 * @param scale how much larger the lines are than {@link TextStyle#NAME}
 */
record FarName(List<String> lines, double scale) {
    private static final double LINE = 17;
    private static final double ASCENT = 12.5;
    private static final double LARGEST = 14;
    private static final double SMALLEST = 0.5;

    /** The name broken so that it can be largest; tries each number of lines up to that of the words. */
    static FarName in(Box room, String name, TextMeasure measure) {
        List<String> words = List.of(name.strip().split("[\\s_]+"));
        FarName best = new FarName(List.of(name), scale(List.of(name), room, measure));
        for (int count = 2; count <= words.size(); count++) {
            List<String> lines = broken(words, count, measure);
            double scale = scale(lines, room, measure);
            if (scale > best.scale) {
                best = new FarName(lines, scale);
            }
        }
        return best;
    }

    /** Paints it in the middle of its room. */
    void paint(Box room, String kind, String colour, TextMeasure measure, Surface on) {
        double height = lines.size() * LINE;
        on.open(Group.of(kind).at(room.centreX(), room.centreY() - height * scale / 2).scaled(scale));
        double y = ASCENT;
        for (String line : lines) {
            on.text(line, TextStyle.NAME, -measure.width(line, TextStyle.NAME) / 2, y, colour, "");
            y += LINE;
        }
        on.close();
    }

    private static double scale(List<String> lines, Box room, TextMeasure measure) {
        double widest = lines.stream().mapToDouble(line -> measure.width(line, TextStyle.NAME)).max().orElse(1);
        return Math.clamp(Math.min(room.width() / Math.max(1, widest), room.height() / (lines.size() * LINE)), SMALLEST,
                LARGEST);
    }

    /** Words on so many lines, each filled until it would be longer than its share. */
    private static List<String> broken(List<String> words, int count, TextMeasure measure) {
        double share = measure.width(String.join(" ", words), TextStyle.NAME) / count;
        List<String> lines = new ArrayList<>();
        String line = "";
        for (int i = 0; i < words.size(); i++) {
            String longer = line.isEmpty() ? words.get(i) : line + " " + words.get(i);
            boolean mustBreak = words.size() - i <= count - lines.size() - (line.isEmpty() ? 0 : 1);
            boolean full = measure.width(longer, TextStyle.NAME) > share * 1.15 && lines.size() < count - 1;
            if (!line.isEmpty() && (mustBreak || full)) {
                lines.add(line);
                line = words.get(i);
            } else {
                line = longer;
            }
        }
        lines.add(line);
        return lines;
    }
}
