package entaxis.web.cli;

import java.util.Arrays;
import java.util.Iterator;
import java.util.Locale;

/** The values of an option as people type them. */
abstract class SmallWords implements Iterable<String> {
    private final Enum<?>[] values;

    SmallWords(Enum<?>... values) {
        this.values = values;
    }

    @Override
    public Iterator<String> iterator() {
        return Arrays.stream(values).map(value -> value.name().toLowerCase(Locale.ROOT)).iterator();
    }
}
