package entaxis.core.derive;

import entaxis.core.design.ColumnPath;
import entaxis.core.design.End;
import entaxis.core.design.Naming.Template;
import entaxis.core.design.Naming;
import entaxis.core.design.Relationship;
import entaxis.core.design.Side;
import entaxis.core.word.Words;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;

/** Names that are proposed for what relationships make. */
final class ProposedNames {
    /** Key columns so called say nothing in another table, so they take their table's name along. */
    private static final Set<String> BARE = Set.of("id", "no", "nr", "number", "code", "name", "key", "uuid");

    private static final String WHERE_NEEDED = "{parent?}";

    private ProposedNames() { }

    /**
     * The wanted name, with the first number from 2 on that makes it differ from all taken ones; taken from then on.
     */
    static String free(String wanted, Set<String> taken) {
        String name = wanted;
        for (int number = 2; !taken.add(name); number++) {
            name = wanted + "_" + number;
        }
        return name;
    }

    /**
     * Names for the column that a parent's key column becomes, the first that is free to be taken: given by hand, or
     * role and column (FIPS PUB 184, role names), or the column's own; where the policy tells keys apart, then one with
     * words of the verb phrase.
     */
    static List<String> migrated(Naming naming, Relationship relationship, Side parent, String parentTable,
            String keyColumn, ColumnPath path) {
        End end = relationship.end(parent);
        String given = end.columnNames().get(path);
        if (given != null) {
            return List.of(naming.written(given));
        }
        String bare = naming.bare(parentTable);
        String one = naming.tables() == Naming.Grammar.PLURAL ? Words.singular(bare) : bare;
        boolean told = !relationship.recursive() || relationship.manyToMany() && parent == Side.FIRST;
        String other = told ? "" : relationship.manyToMany() ? "other " : "parent ";
        String template = naming.template(Template.FOREIGN_COLUMN);
        boolean spoken = !BARE.contains(keyColumn.toLowerCase(Locale.ROOT)) || one.isEmpty();
        if (template.contains(WHERE_NEEDED)) {
            boolean needed = !end.role().isBlank() || !other.isEmpty() || !spoken
                    || path.hops().isEmpty() && !ForeignNames.tells(keyColumn, one);
            String owner = !end.role().isBlank() ? end.role() : spoken && ForeignNames.tells(keyColumn, one) ? other
                    : other + one;
            String name = naming
                    .written(Naming.filled(needed ? template.replace(WHERE_NEEDED, "{parent}") : without(template),
                    Map.of("parent", owner.strip(), "key", keyColumn)));
            String verb =
                    relationship.manyToMany() || !end.role().isBlank() ? "" : ForeignNames.verb(relationship, parent);
            return verb.isEmpty() ? List.of(name) : List.of(name, naming.written(verb + " " + name));
        }
        if (!template.isEmpty()) {
            return List.of(naming.written(Naming.filled(template,
                    Map.of("parent", end.role().isBlank() ? other + one : end.role(), "key", keyColumn))));
        }
        String plain = spoken ? keyColumn : one + " " + keyColumn;
        return List.of(
                end.role().isBlank() ? naming.written(other + plain) : naming.written(end.role() + " " + keyColumn));
    }

    /** A template without the parent's name and what joins it to the rest. */
    private static String without(String template) {
        return template.replaceFirst("[_\\s-]*" + Pattern.quote(WHERE_NEEDED) + "$", "")
                .replaceFirst(Pattern.quote(WHERE_NEEDED) + "[_\\s-]*", "");
    }
}
