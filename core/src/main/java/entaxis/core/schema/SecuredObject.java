package entaxis.core.schema;


/** What privileges are granted on (ISO/IEC 9075-2, 12.3, object name). */
public enum SecuredObject {
    /** A table or view. */
    TABLE,
    SEQUENCE,
    /** A domain or another type. */
    TYPE,
    /** A function or procedure. */
    ROUTINE,
    /** What nobody can be let use: a trigger, a rule. */
    NONE;

    /** What a view, routine or trigger counts as. */
    public static SecuredObject of(ProgramKind kind) {
        return switch (kind) {
            case VIEW -> TABLE;
            case FUNCTION, PROCEDURE, PACKAGE -> ROUTINE;
            case TRIGGER, RULE -> NONE;
        };
    }
}
