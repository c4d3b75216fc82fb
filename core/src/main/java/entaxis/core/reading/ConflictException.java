package entaxis.core.reading;

import entaxis.core.statement.PlacedName;

/**
 * Says that a statement is well formed but speaks of what is not there, or makes what is there already. Carries no
 * stack: it is part of ordinary reading.
 */
final class ConflictException extends RuntimeException {
    private static final long serialVersionUID = 1;
    private final int place;

    ConflictException(int place, String reason) {
        super(reason, null, false, false);
        this.place = place;
    }

    /** A table that is spoken of is not there. */
    static ConflictException noTable(PlacedName name) {
        return new ConflictException(name.place(), "no table " + name.name().name() + " is known here");
    }

    /** A column that is spoken of is not there. */
    static ConflictException noColumn(TableBuilder table, String column, int place) {
        return new ConflictException(place, "the table " + table.name + " has no column " + column);
    }

    /** Where in the script it speaks of it. */
    int place() {
        return place;
    }
}
