package entaxis.core.normalize;

import entaxis.core.dependency.AttributeSet;
import entaxis.core.dependency.BoyceCoddDecomposition;
import entaxis.core.dependency.Closure;
import entaxis.core.dependency.Decomposition;
import entaxis.core.dependency.Decomposition.Part;
import entaxis.core.dependency.FourthFormDecomposition;
import entaxis.core.dependency.NormalForm;
import entaxis.core.dependency.PartNames;
import entaxis.core.dependency.Relation;
import entaxis.core.dependency.SecondFormDecomposition;
import entaxis.core.dependency.Synthesis;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Entities in the place of one.
 *
 * @param form   the normal form that they are in, or higher
 * @param keeper which of the pieces stays the entity that is there
 */
public record Remedy(EntityRelation about, NormalForm form, Decomposition decomposition, List<Piece> pieces,
        int keeper) {
    /** One of the entities: its columns, its key, and the name it gets. */
    public record Piece(String name, AttributeSet attributes, AttributeSet key, List<AttributeSet> keys) { }

    /** What to put in the place of an entity, with names proposed. */
    public static Remedy of(EntityRelation about, NormalForm form) {
        Relation relation = about.relation();
        Decomposition decomposition = switch (form) {
            case FIRST, SECOND -> SecondFormDecomposition.of(relation);
            case THIRD -> Synthesis.of(relation, about.key());
            case BOYCE_CODD -> BoyceCoddDecomposition.of(relation, about.key());
            case FOURTH -> FourthFormDecomposition.of(relation);
        };
        List<Part> parts = decomposition.parts();
        int keeper = keeper(about, parts);
        List<String> proposed = PartNames.of(decomposition);
        List<Piece> pieces = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            Part part = parts.get(i);
            AttributeSet key = part.attributes().containsAll(about.key()) && part.keys().contains(about.key())
                    ? about.key() : part.key();
            String name = i == keeper ? about.entity().name()
                    : proposed.get(i).equals(relation.name()) ? relation.name() + " part" : spoken(proposed.get(i));
            pieces.add(new Piece(name, part.attributes(), key, part.keys()));
        }
        return new Remedy(about, form, decomposition, pieces, keeper);
    }

    /** The same with names given by hand, by the place of the piece. */
    public Remedy named(Map<Integer, String> names) {
        List<Piece> named = new ArrayList<>();
        for (int i = 0; i < pieces.size(); i++) {
            Piece piece = pieces.get(i);
            named.add(new Piece(names.getOrDefault(i, piece.name()), piece.attributes(), piece.key(), piece.keys()));
        }
        return new Remedy(about, form, decomposition, named, keeper);
    }

    /**
     * Tells this remedy from another of the same entity: the form and what falls into which piece, whatever their
     * names.
     */
    public String signature() {
        return form + " " + pieces.stream().map(piece -> about.relation().text(piece.attributes()))
                .collect(Collectors.joining(" | "));
    }

    /** The piece that holds the primary key, else one that determines everything, else the largest. */
    private static int keeper(EntityRelation about, List<Part> parts) {
        Closure closure = new Closure(about.relation().attributes().size(), about.relation().functional());
        return IntStream.range(0, parts.size())
                .filter(i -> !about.key().isEmpty() && parts.get(i).attributes().containsAll(about.key())).findFirst()
                .orElseGet(() -> IntStream.range(0, parts.size())
                        .filter(i -> closure.of(parts.get(i).attributes()).containsAll(about.relation().all()))
                        .findFirst()
                        .orElseGet(() -> IntStream.range(0, parts.size()).reduce(
                                (a, b) -> parts.get(b).attributes().size() > parts.get(a).attributes().size() ? b : a)
                                .orElse(0)));
    }

    /** A column's name as the name of an entity. */
    private static String spoken(String name) {
        String words = name.replace('_', ' ').strip();
        return words.isEmpty() ? "Part" : words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    }

    /** The different rows that a piece gets. */
    public int rows(int piece) {
        return about.rows().projected(pieces.get(piece).attributes()).size();
    }

    /** How many values are stored once less than before, over all rows. */
    public int saved() {
        int before = about.rows().size() * about.relation().attributes().size();
        int after = IntStream.range(0, pieces.size()).map(i -> rows(i) * pieces.get(i).attributes().size()).sum();
        return before - after;
    }
}
