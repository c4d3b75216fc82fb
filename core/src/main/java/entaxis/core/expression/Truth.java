package entaxis.core.expression;

import java.util.Collection;

/** What a condition comes to: the three values of ISO/IEC 9075-2, 6.39, and one more where only an engine can tell. */
public enum Truth {
    /** It holds. */
    TRUE,
    /** It does not hold; a constraint refuses the row. */
    FALSE,
    /** A value is missing; a constraint lets the row pass. */
    UNKNOWN,
    /** Any of the others: it depends on what is not evaluated here. */
    UNCLEAR;

    static Truth of(boolean value) {
        return value ? TRUE : FALSE;
    }

    Truth not() {
        return switch (this) {
            case TRUE -> FALSE;
            case FALSE -> TRUE;
            case UNKNOWN, UNCLEAR -> this;
        };
    }

    static Truth and(Collection<Truth> all) {
        return all.contains(FALSE) ? FALSE : all.contains(UNCLEAR) ? UNCLEAR : all.contains(UNKNOWN) ? UNKNOWN : TRUE;
    }

    static Truth or(Collection<Truth> all) {
        return all.contains(TRUE) ? TRUE : all.contains(UNCLEAR) ? UNCLEAR : all.contains(UNKNOWN) ? UNKNOWN : FALSE;
    }
}
