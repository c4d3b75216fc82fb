package entaxis.engines.catalog;

import java.util.Locale;

/**
 * Names of engines that hold what was not quoted in capitals (ISO/IEC 9075-2, 5.2; H2 manual, “Keywords / Reserved
 * Words”; Oracle Database SQL Language Reference, “Database Object Naming Rules”).
 */
public final class FoldedName {
    private FoldedName() { }

    /** A name as people write it: one all in capitals was not quoted. */
    public static String of(String held) {
        return held.equals(held.toUpperCase(Locale.ROOT)) ? held.toLowerCase(Locale.ROOT) : held;
    }
}
