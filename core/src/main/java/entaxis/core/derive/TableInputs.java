package entaxis.core.derive;

import entaxis.core.design.Exclusion;
import entaxis.core.design.Relationship;
import java.util.List;

/**
 * All that a table follows from, beside the ways of the whole design to name and to type: what was stated, and for each
 * reference what its parent gives.
 */
record TableInputs(Object stated, String table, List<Relationship> references, List<Exclusion> exclusions,
        List<ParentKey> parents) {

    /** Whether the very same was stated, so that the very same table follows. */
    boolean sameAs(TableInputs other) {
        return stated == other.stated && table.equals(other.table) && exclusions.equals(other.exclusions)
                && same(references, other.references) && parents.equals(other.parents);
    }

    /** Whether a relationship was among the references as it is, with a parent that gave the same. */
    boolean has(Relationship relationship, ParentKey parent) {
        for (int i = 0; i < references.size(); i++) {
            if (references.get(i) == relationship) {
                return parents.get(i).equals(parent);
            }
        }
        return false;
    }

    private static boolean same(List<Relationship> one, List<Relationship> other) {
        if (one.size() != other.size()) {
            return false;
        }
        for (int i = 0; i < one.size(); i++) {
            if (one.get(i) != other.get(i)) {
                return false;
            }
        }
        return true;
    }
}
