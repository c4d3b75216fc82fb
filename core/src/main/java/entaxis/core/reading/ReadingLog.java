package entaxis.core.reading;

import java.util.ArrayList;
import java.util.List;

/** What is noted while a script is read: what was passed, and what was not understood. */
final class ReadingLog {
    private final List<SteppedOver> steppedOver = new ArrayList<>();
    private final List<NotUnderstood> notUnderstood = new ArrayList<>();
    private String file = "";
    private Lines lines = new Lines("");
    private int shift;

    /** Begins a text. */
    void begin(String name, String text) {
        file = name;
        lines = new Lines(text);
    }

    /** Runs something that counts places from a place inside the text. */
    void within(int base, Runnable reading) {
        int before = shift;
        shift = before + base;
        reading.run();
        shift = before;
    }

    void steppedOver(int place, String kind) {
        steppedOver.add(new SteppedOver(file, lines.line(place + shift), kind));
    }

    void notUnderstood(int place, String text, String reason) {
        notUnderstood(place, text, reason, false);
    }

    void notUnderstood(int place, String text, String reason, boolean conflict) {
        int offset = place + shift;
        int line = lines.line(offset);
        notUnderstood.add(new NotUnderstood(file, line, lines.column(offset), text, reason, offset, conflict));
    }

    List<SteppedOver> steppedOver() {
        return steppedOver;
    }

    List<NotUnderstood> notUnderstood() {
        return notUnderstood;
    }
}
