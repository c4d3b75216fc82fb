package entaxis.core.change;

import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Side;
import entaxis.core.schema.ReferentialAction;

/** One thing about a relationship that can be changed by itself. */
public sealed interface RelationshipAspect {
    /** The verb phrase read from an end. */
    record Verb(Side side, String phrase) implements RelationshipAspect { }

    /** How many of an end's entity go with one of the other's. */
    record HowMany(Side side, Cardinality cardinality) implements RelationshipAspect { }

    /** Whether the parent's key is part of the child's primary key. */
    record Identifying(boolean identifying) implements RelationshipAspect { }

    /** The role that an end's entity plays. */
    record Role(Side side, String name) implements RelationshipAspect { }

    /** The name of one column that an end's key becomes in the other's table; empty for the one that is proposed. */
    record ColumnName(Side side, ColumnPath keyColumn, String name) implements RelationshipAspect { }

    /** The sentence read from an end, as it was agreed; empty for no longer agreed. */
    record Agreed(Side side, String sentence) implements RelationshipAspect { }

    /** What happens when a parent row is deleted. */
    record OnDelete(ReferentialAction action) implements RelationshipAspect { }

    /** What happens when a parent's key changes. */
    record OnUpdate(ReferentialAction action) implements RelationshipAspect { }

    /** The name of a many-to-many and its table; empty for the one that is proposed. */
    record Name(String name) implements RelationshipAspect { }

    /** The end whose table gets the foreign key of a one-to-one. */
    record Child(Side side) implements RelationshipAspect { }
}
