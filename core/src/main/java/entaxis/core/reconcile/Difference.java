package entaxis.core.reconcile;

/**
 * One thing in which two schemas are apart.
 *
 * @param table the table that it belongs to, with its schema where one is named; empty for what belongs to none
 * @param name  the column, constraint or other part; empty for the table itself and for a part without a name, which is
 *              told by its columns then. Names are those of the wanted side, where it has the part
 * @param from  the wording of the side that would be changed; empty if it has nothing there
 * @param to    the wording of the side that is wanted; empty if it has nothing there
 * @param risk  what taking the wanted side does to rows
 */
public record Difference(SchemaPart part, String table, String name, Aspect aspect, String from, String to, Risk risk) {

    /** What tells it from all others of one comparison, and finds it again in the next. */
    public String key() {
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
                && (added() && risk == Risk.MAY_FAIL || aspect == Aspect.REQUIRED && to.equals("not null"));
    }
}
