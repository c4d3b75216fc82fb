package entaxis.core.normalize;

import entaxis.core.dependency.AttributeSet;
import entaxis.core.design.NamedCheck;
import entaxis.core.design.SqlName;
import entaxis.core.expression.Expression;
import entaxis.core.normalize.Remedy.Piece;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/** Which piece of a relation a check of its entity belongs to: the one that has all columns that it speaks of. */
final class CheckPlaces {
    private final Remedy remedy;
    private final EntityRelation about;
    private final List<Piece> pieces;

    CheckPlaces(Remedy remedy) {
        this.remedy = remedy;
        this.about = remedy.about();
        this.pieces = remedy.pieces();
    }

    /**
     * The checks of a piece.
     *
     * @throws ApplyDecomposition.Impossible if a check of the entity belongs to none
     */
    List<NamedCheck> of(int at) {
        return about.entity().checks().stream().filter(check -> place(check) == at).toList();
    }

    private int place(NamedCheck check) {
        AttributeSet columns = columns(check);
        if (pieces.get(remedy.keeper()).attributes().containsAll(columns)) {
            return remedy.keeper();
        }
        for (int i = 0; i < pieces.size(); i++) {
            if (pieces.get(i).attributes().containsAll(columns)) {
                return i;
            }
        }
        throw new ApplyDecomposition.Impossible("The condition “" + check.condition() + "” speaks of "
                + about.relation().text(columns)
                + ", which would no longer stand in one table. Take it out first.");
    }

    private AttributeSet columns(NamedCheck check) {
        Set<String> names = Expression.of(check.condition()).columns();
        AttributeSet columns = AttributeSet.none();
        for (int i = 0; i < about.paths().size(); i++) {
            String column = about.relation().attributes().get(i);
            String stated = about.paths().get(i).migrated() ? column : about.entity()
                    .attribute(about.paths().get(i).attribute()).map(own -> SqlName.of(own.name())).orElse(column);
            if (names.contains(column.toLowerCase(Locale.ROOT)) || names.contains(stated.toLowerCase(Locale.ROOT))) {
                columns = columns.union(AttributeSet.of(i));
            }
        }
        return columns;
    }
}
