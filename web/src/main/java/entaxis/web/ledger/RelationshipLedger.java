package entaxis.web.ledger;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.End;
import entaxis.core.design.EntityId;
import entaxis.core.design.OwnerId;
import entaxis.core.design.ReferentialAction;
import entaxis.core.design.Relationship;
import entaxis.core.design.Side;
import entaxis.core.schema.Column;
import entaxis.core.schema.Table;
import entaxis.core.sentence.Sentence;
import entaxis.core.sentence.Words;
import java.util.List;
import java.util.Optional;

/**
 * One relationship as its sentence card edits it.
 *
 * @param readings    the two sentences
 * @param mayIdentify whether it could be identifying as its cardinalities are
 * @param columns     the columns that it makes
 * @param attributes  a many-to-many's own attributes
 * @param table       name of the table that a many-to-many becomes; empty for others
 */
public record RelationshipLedger(String id, String title, List<Reading> readings, boolean manyToMany, boolean oneToOne, boolean recursive, boolean identifying,
        boolean mayIdentify, String child, String childName, String onDelete, String onUpdate, boolean canBeNull, List<ReferentialAction> actions,
        List<MadeColumn> columns, List<LedgerRow> attributes, String name, String table) {

    /**
     * One sentence with its parts that can be changed.
     *
     * @param side   the end that it is read from
     * @param other  the end whose cardinality it tells
     * @param number the cardinality as the page's choice names it
     * @param role   the role of the end it is read from
     */
    public record Reading(String side, String other, String entity, String subject, String verb, String number, String object, String objects, String role,
            String text) { }

    /**
     * A column that the relationship makes.
     *
     * @param side  the end that is the parent
     * @param path  the parent's key column
     * @param given whether its name was given by hand
     */
    public record MadeColumn(String id, String side, String path, String name, boolean given, String type, String table, String follows) { }

    /** The sentence card of a relationship. */
    public static RelationshipLedger of(Design design, Derivation derivation, Relationship relationship) {
        Optional<Side> child = relationship.child();
        OwnerId holder = child.<OwnerId>map(side -> relationship.end(side).entity()).orElse(relationship.id());
        Table table = derivation.table(holder).orElseThrow();
        List<MadeColumn> columns = table.columns().stream().filter(column -> madeBy(column, relationship))
                .map(column -> made(design, relationship, table, column)).toList();
        boolean canBeNull = relationship.parent().map(side -> relationship.end(side).cardinality().optional()).orElse(false);
        return new RelationshipLedger(relationship.id().value(), entity(design, relationship.first()) + " and " + entity(design, relationship.second()),
                List.of(reading(design, relationship, Side.FIRST), reading(design, relationship, Side.SECOND)), relationship.manyToMany(), relationship.oneToOne(),
                relationship.recursive(), design.identifying(relationship), relationship.mayIdentify(), child.map(Side::name).orElse(""),
                child.map(side -> entity(design, relationship.end(side))).orElse(""), relationship.onDelete().name(), relationship.onUpdate().name(), canBeNull,
                List.of(ReferentialAction.values()), columns, relationship.attributes().stream().map(attribute -> LedgerRow.own(attribute, attribute.required(), "")).toList(),
                relationship.name(), relationship.manyToMany() ? table.name() : "");
    }

    private static boolean madeBy(Column column, Relationship relationship) {
        return column.origin().map(path -> path.migrated() && path.hops().getFirst().relationship().equals(relationship.id())).orElse(false);
    }

    private static MadeColumn made(Design design, Relationship relationship, Table table, Column column) {
        ColumnPath path = column.origin().orElseThrow();
        Side parent = path.hops().getFirst().parent();
        ColumnPath key = new ColumnPath(path.hops().subList(1, path.hops().size()), path.attribute());
        return new MadeColumn((parent + "-" + key).replace('.', '_').replace("+", "p"), parent.name(), key.toString(), column.name(),
                relationship.end(parent).columnNames().containsKey(key), column.type().text(), table.name(), entity(design, relationship.end(parent)));
    }

    private static Reading reading(Design design, Relationship relationship, Side side) {
        Sentence sentence = Sentence.of(design, relationship, side);
        End other = relationship.end(side.other());
        String object = Words.inSentence(entity(design, other));
        return new Reading(side.name(), side.other().name(), entity(design, relationship.end(side)), sentence.subject(), sentence.verb(), number(other.cardinality()),
                object, other.cardinality().many() ? Words.plural(object) : object, relationship.end(side).role(), sentence.text());
    }

    private static String entity(Design design, End end) {
        EntityId id = end.entity();
        return design.entities().get(id).name();
    }

    private static String number(Cardinality cardinality) {
        return cardinality.many() ? cardinality.optional() ? "any" : "some" : cardinality.optional() ? "maybe" : "one";
    }
}
