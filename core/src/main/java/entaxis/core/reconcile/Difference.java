package entaxis.core.reconcile;

import entaxis.core.schema.Column;
import entaxis.core.schema.TablePart;
import java.util.Optional;

/**
 * One thing in which two schemas are apart.
 *
 * @param table the table that it belongs to, with its schema where one is named; empty for what belongs to none
 * @param name  the column, constraint or other part; empty for the table itself and for a part without a name, which is
 *              told by its columns then. Names are those of the wanted side, where it has the part
 * @param from  the wording of the side that would be changed; empty if it has nothing there
 * @param to    the wording of the side that is wanted; empty if it has nothing there
 * @param risk  what taking the wanted side does to rows
 * @param have  the part of a table on the side that would be changed, as its schema has it
 * @param want  the same on the side that is wanted
 */
public record Difference(SchemaPart part, String table, String name, Aspect aspect, String from, String to, Risk risk,
        Optional<TablePart> have, Optional<TablePart> want) {

    /** What tells it from all others of one comparison, and finds it again in the next. */
    public String key() {
        return key(part, table, name, aspect);
    }

    /** The key of a difference in an aspect of a part of a table. */
    public static String key(SchemaPart part, String table, String name, Aspect aspect) {
        return part + "|" + table + "|" + name + "|" + aspect;
    }

    /** Where it is: the table and the part in it. */
    public String place() {
        return table.isEmpty() ? name : name.isEmpty() ? table : table + "." + name;
    }

    /** Whether only the wanted side has it. */
    public boolean added() {
        return aspect == Aspect.PRESENCE && from.isEmpty();
    }

    /** Whether only the side that would be changed has it. */
    public boolean removed() {
        return aspect == Aspect.PRESENCE && to.isEmpty();
    }

    /** Whether only a key, reference, check or index is called otherwise. */
    public boolean renamesConstraint() {
        return aspect == Aspect.NAME && part != SchemaPart.TABLE && part != SchemaPart.COLUMN;
    }

    /** Whether rows that are there need a value when the wanted side is taken. */
    public boolean asksForValue() {
        return part == SchemaPart.COLUMN
                && (added() && risk == Risk.MAY_FAIL || aspect == Aspect.REQUIRED && requires());
    }

    /** Whether a column of the wanted side refuses null. */
    boolean requires() {
        return want.filter(part -> part instanceof Column column && column.required()).isPresent();
    }

    /** Whether it is a constraint that nobody gave a name, so that it is told by what it says. */
    boolean nameless() {
        return want.or(() -> have).filter(part -> part.name().isEmpty()).isPresent();
    }
}
