package entaxis.core.reading;

import java.util.ArrayList;
import java.util.List;

/** Finds the columns that definitions speak of, as their table spells them. */
final class ColumnLookup {
    private final TokenCursor tokens;

    ColumnLookup(TokenCursor tokens) {
        this.tokens = tokens;
    }

    ColumnBuilder existing(TableBuilder table, int token) {
        String name = tokens.isName(token) ? tokens.nameAt(token) : "";
        return table.column(name).orElseThrow(
                () -> StatementException.conflict(token, "the table " + table.name + " has no column " + name));
    }

    /** The names of columns as the table itself spells them. */
    List<String> heldColumns(TableBuilder table, List<String> names) {
        if (allHeld(table, names)) {
            return names;
        }
        List<String> held = new ArrayList<>(names.size());
        for (String name : names) {
            held.add(table.spelled(name).orElseThrow(() -> StatementException.conflict(tokens.constraint(),
                    "the table " + table.name + " has no column " + name)));
        }
        return held;
    }

    static boolean allHeld(TableBuilder table, List<String> names) {
        for (int i = 0; i < names.size(); i++) {
            if (!table.spells(names.get(i))) {
                return false;
            }
        }
        return true;
    }

    static List<String> asSpelled(TableBuilder table, List<String> names) {
        List<String> spelled = new ArrayList<>(names.size());
        for (String name : names) {
            spelled.add(table.spelled(name).orElse(name));
        }
        return spelled;
    }
}
