package entaxis.core.schema;

/** When a referential constraint is checked (ISO/IEC 9075-2, 10.8). */
public enum Deferral {
    /** After each statement. */
    NOT_DEFERRABLE,
    /** After each statement, unless the transaction asks for its end. */
    INITIALLY_IMMEDIATE,
    /** At the end of the transaction. */
    INITIALLY_DEFERRED
}
