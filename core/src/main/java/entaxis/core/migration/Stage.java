package entaxis.core.migration;

/**
 * The order of steps: dependents out of the way, names, types, additions, values that move, changes, removals, and what
 * depends on them again.
 */
public enum Stage {
    FIRST, PROGRAMS_OUT, REFERENCES_OUT, CONSTRAINTS_OUT, IN_THE_WAY, NAMES, TYPES, TABLES, MOVES, COLUMNS, REMOVALS,
    CONSTRAINTS, INDEXES, REFERENCES, TYPES_OUT, PROGRAMS, COMMENTS
}
