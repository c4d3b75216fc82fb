package entaxis.core.reading;

import entaxis.core.statement.SyntaxError;
import java.util.ArrayList;
import java.util.List;

/** What is noted while a script is read: what was passed, and what was not understood. */
final class ReadingLog {
    private static final int MAX_SHOWN = 80;
    private final List<SteppedOver> steppedOver = new ArrayList<>();
    private final List<NotUnderstood> notUnderstood = new ArrayList<>();
    private String file = "";
    private Lines lines = new Lines("");
    /** The text that places are counted in at present, and where it begins in the file. */
    private String text = "";
    private int shift;

    /** Begins a text. */
    void begin(String name, String script) {
        file = name;
        text = script;
        lines = new Lines(script);
    }

    /** Runs a reader of a text inside the present one; places count from the beginning of the inner text. */
    void within(String inside, int place, Runnable reading) {
        String outer = text;
        int before = shift;
        text = inside;
        shift = before + place;
        reading.run();
        text = outer;
        shift = before;
    }

    /** Notes that a statement or clause was passed on purpose. */
    void steppedOver(int place, String kind) {
        steppedOver.add(new SteppedOver(file, lines.line(place + shift), kind));
    }

    /** Notes what is not understood. */
    void notUnderstood(SyntaxError error) {
        add(error.place(), error.excerpt(), error.reason(), false);
    }

    /** Notes that a statement which ends at a place speaks of what is not there, or makes what is there already. */
    void conflict(ConflictException conflict, int end) {
        int from = Math.min(conflict.place(), text.length());
        int to = Math.clamp(end, from, Math.min(text.length(), from + MAX_SHOWN));
        String excerpt = text.substring(from, to).lines().findFirst().orElse("").strip();
        add(conflict.place(), excerpt, conflict.getMessage(), true);
    }

    private void add(int place, String excerpt, String reason, boolean conflict) {
        int offset = place + shift;
        int line = lines.line(offset);
        notUnderstood.add(new NotUnderstood(file, line, lines.column(offset), excerpt, reason, offset, conflict));
    }

    List<SteppedOver> steppedOver() {
        return steppedOver;
    }

    List<NotUnderstood> notUnderstood() {
        return notUnderstood;
    }
}
