package entaxis.core.reconcile;

import entaxis.core.design.Target;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.Fitting;
import entaxis.core.sql.Neutral;
import java.util.List;

/** The sides of a comparison as one engine holds them, so that they can be compared. */
public final class Held {
    private Held() { }

    /** A schema in an engine's own words as another engine holds it; views and routines are in the words of the first, and are left out where the engines differ. */
    public static Schema of(Schema schema, Target spoken, Dialect dialect) {
        Schema named = new Schema(schema.types(), schema.sequences(), schema.tables().stream().filter(table -> !table.columns().isEmpty()).toList(), schema.programs());
        if (spoken == dialect.target()) {
            return Fitting.fit(named, dialect).schema();
        }
        Schema neutral = Neutral.of(named, Dialect.of(spoken));
        return Fitting.fit(neutral, dialect).schema();
    }

    /** The schema that follows from a design as an engine holds it. */
    public static Schema ofDesign(Schema derived, Dialect dialect) {
        return Fitting.fit(new Schema(derived.types(), derived.sequences(), derived.tables().stream().filter(table -> !table.columns().isEmpty()).toList(), derived.programs()), dialect).schema();
    }
}
