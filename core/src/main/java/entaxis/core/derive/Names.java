package entaxis.core.derive;

import entaxis.core.design.ColumnPath;
import entaxis.core.design.End;
import entaxis.core.design.Naming;
import entaxis.core.design.Naming.Template;
import entaxis.core.design.Relationship;
import entaxis.core.design.Side;
import entaxis.core.word.Words;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** Names that are proposed for what relationships make. */
final class Names {
    /** Key columns so called say nothing in another table, so they take their table's name along. */
    private static final Set<String> BARE = Set.of("id", "no", "nr", "number", "code", "name", "key", "uuid");

    private Names() { }

    /** The wanted name, with the first number from 2 on that makes it differ from all taken ones; taken from then on. */
    static String free(String wanted, Set<String> taken) {
        String name = wanted;
        for (int number = 2; !taken.add(name); number++) {
            name = wanted + "_" + number;
        }
        return name;
    }

    /** The name of the column that a parent's key column becomes: given by hand, or role and column (FIPS PUB 184, role names), or the column's own. */
    static String migrated(Naming naming, Relationship relationship, Side parent, String parentTable, String keyColumn, ColumnPath path) {
        End end = relationship.end(parent);
        String given = end.columnNames().get(path);
        if (given != null) {
            return naming.written(given);
        }
        String bare = naming.bare(parentTable);
        String one = naming.tables() == Naming.Grammar.PLURAL ? Words.singular(bare) : bare;
        boolean told = !relationship.recursive() || relationship.manyToMany() && parent == Side.FIRST;
        String other = told ? "" : relationship.manyToMany() ? "other " : "parent ";
        if (!naming.template(Template.FOREIGN_COLUMN).isEmpty()) {
            return naming.written(Naming.filled(naming.template(Template.FOREIGN_COLUMN), Map.of("parent", end.role().isBlank() ? other + one : end.role(), "key", keyColumn)));
        }
        String plain = BARE.contains(keyColumn.toLowerCase(Locale.ROOT)) && !one.isEmpty() ? one + " " + keyColumn : keyColumn;
        return end.role().isBlank() ? naming.written(other + plain) : naming.written(end.role() + " " + keyColumn);
    }
}
