package entaxis.core.reading;

import entaxis.core.targets.Target;
import java.util.Arrays;
import java.util.Comparator;

/**
 * Guesses whose script a text is: that of the engine whose grammar leaves the least of it not understood; of equals the
 * first.
 */
public final class EngineGuess {
    /** So much of a long script tells whose it is. */
    private static final int ENOUGH = 200_000;

    private EngineGuess() { }

    /** The engine that understands most. */
    public static Target of(String script) {

        int cut = script.lastIndexOf(';', ENOUGH);
        String part = script.length() <= ENOUGH || cut < 0 ? script : script.substring(0, cut + 1);
        return Arrays.stream(Target.values())
                .min(Comparator.comparingInt((Target target) -> notUnderstood(part, target))).orElseThrow();
    }

    private static int notUnderstood(String script, Target target) {
        ScriptReader reader = new ScriptReader(target);
        reader.add("", script);
        Reading reading = reader.done();
        return reading.notUnderstood().size() * 2 + (reading.schema().tables().isEmpty() ? 1 : 0);
    }
}
