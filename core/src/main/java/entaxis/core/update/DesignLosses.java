package entaxis.core.update;

import entaxis.core.derive.Derivation;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.Difference;
import entaxis.core.reconcile.DifferenceWords;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.reconcile.Secured;
import entaxis.core.reconcile.SchemaPart;
import entaxis.core.reverse.ReversedDesign;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What a schema has that the design made of it does not say: found by comparing it with the schema that follows from
 * the design, so that nothing is lost without a word.
 */
public final class DesignLosses {
    private static final int MAX_NAMED = 6;
    private static final DifferenceWords WORDS = new DifferenceWords("the database", "the design");

    private DesignLosses() { }

    /**
     * Sentences about what is apart and was not told when the design was made; alike ones as one. That names follow the
     * design's rules is said beside others only: it is no loss. Linear in both.
     *
     * @param there   the schema as its engine holds it
     * @param dialect that engine, which is also the design's target
     */
    public static List<String> of(ReversedDesign reversed, Schema there, Dialect dialect) {
        Schema again = EngineSchema.ofDesign(Derivation.of(reversed.design()).schema(), dialect);
        Map<String, List<String>> places = new LinkedHashMap<>();
        int named = 0;
        for (Difference difference : Comparison
                .of(EngineSchema.aligned(there, again, dialect), again, dialect, RenameMap.NONE).differences()) {
            if (difference.added() || difference.from().isEmpty()) {
                continue;   // what the design has beside it: proposed references, what a many-to-many is
            }
            if (difference.renamesConstraint()) {
                named++;
            } else if (reversed.remarks().stream().noneMatch(remark -> isAbout(remark, difference))) {
                places.computeIfAbsent(what(difference), any -> new ArrayList<>()).add(difference.place());
            }
        }
        List<String> granted = Secured.of(there).filter(one -> one.isUnusual(dialect)).map(Secured::name).toList();
        if (!granted.isEmpty()) {
            places.put("Who may use what is not kept", granted);
        }
        List<String> sentences = new ArrayList<>();
        places.forEach((what, where) -> sentences.add(where.size() == 1 && what.endsWith(".") ? what
                : what + ": " + listed(where) + "."));
        if (named > 0 && !sentences.isEmpty()) {
            sentences.add(Words.counted(named, "name") + " of keys, references, checks and indexes "
                    + (named == 1 ? "follows" : "follow") + " the design's rules for names.");
        }
        return sentences;
    }

    private static String what(Difference difference) {
        if (difference.part() != SchemaPart.COLUMN) {
            return WORDS.sentence(difference);
        }
        return switch (difference.aspect()) {
            case TYPE -> difference.from() + " becomes " + difference.to();
            case COMMENT -> "The comments of columns that come with a reference are not kept";
            case DEFAULT -> "A default of a column that comes with a reference, or of another type, is not kept";
            case COLLATION -> "Collations are not kept";
            case ON_CHANGE -> "What sets a column at each change of its row is not kept";
            default -> WORDS.sentence(difference);
        };
    }

    private static String listed(List<String> places) {
        return String.join(", ", places.subList(0, Math.min(MAX_NAMED, places.size())))
                + (places.size() > MAX_NAMED ? " and " + (places.size() - MAX_NAMED) + " more" : "");
    }

    /** Whether a remark speaks of a part by its name, or of a reference of its table. */
    private static boolean isAbout(String remark, Difference difference) {
        boolean reference = difference.part() == SchemaPart.FOREIGN_KEY && remark.contains(" refers to ");
        return remark.startsWith(difference.table() + ":") && (reference || remark.contains(difference.name()));
    }
}
