package entaxis.core.schema;

/** Whether and how the engine generates the value of a column (ISO/IEC 9075-2, 11.4, identity column specification). */
public enum Identity { NONE, BY_DEFAULT, ALWAYS }
