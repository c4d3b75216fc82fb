package entaxis.core.review;

/** What rules are about. */
public enum Family { KEYS, RELATIONSHIPS, TYPES, NAMES, FORMS, ROWS, INDEXES, CARRIED, AGREEMENT }
