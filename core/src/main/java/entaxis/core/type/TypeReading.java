package entaxis.core.type;

/** What came of reading a type: the type, or why it was not understood. */
public sealed interface TypeReading {
    /** The text names this type. */
    record Known(SqlType type) implements TypeReading { }

    /** The text names no type; the message says what and what to do. */
    record Unknown(String message) implements TypeReading { }
}
