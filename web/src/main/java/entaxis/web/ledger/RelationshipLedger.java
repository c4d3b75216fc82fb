package entaxis.web.ledger;

import entaxis.core.derive.Derivation;
import entaxis.core.derive.DerivedColumn;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.End;
import entaxis.core.design.EntityId;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Relationship;
import entaxis.core.design.Side;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.sentence.Sentence;
import entaxis.core.word.Words;
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
 * @param excludable  relationships that could exclude this one
 * @param proposed    name of the entity that a many-to-many would become
 * @param kind        whether it leads to a kind of an entity
 */
public record RelationshipLedger(String id, String title, List<Reading> readings, boolean manyToMany, boolean oneToOne,
        boolean recursive, boolean identifying,
        boolean mayIdentify, String child, String childName, String onDelete, String onUpdate, boolean canBeNull,
        List<ReferentialAction> actions,
        List<MadeColumn> columns, List<LedgerRow> attributes, String name, String table, List<Pinned> assumptions,
        Optional<Alternatives> alternatives,
        List<Choice> excludable, String proposed, boolean kind) {

    /**
     * One sentence with its parts that can be changed.
     *
     * @param side   the end that it is read from
     * @param other  the end whose cardinality it tells
     * @param number the cardinality in words
     * @param role   the role of the end it is read from
     * @param agreed whether the sentence was agreed as it now is
     */
    public record Reading(String side, String other, String entity, String subject, String verb, String number,
            String object, String objects, String role,
            String text, boolean agreed) { }

    /** An assumption that decided an end. */
    public record Pinned(String id, int number, String side, String text) { }

    /** Relationships that exclude each other, this one among them. */
    public record Alternatives(String id, boolean mandatory, List<String> sentences) { }

    /** Something to choose. */
    public record Choice(String id, String text) { }

    /**
     * A column that the relationship makes.
     *
     * @param side  the end that is the parent
     * @param path  the parent's key column
     * @param given whether its name was given by hand
     */
    public record MadeColumn(String id, String side, String path, String name, boolean given, String type, String table,
            String follows) { }

    /** The sentence card of a relationship. */
    public static RelationshipLedger of(Design design, Derivation derivation, Relationship relationship) {
        Optional<Side> child = relationship.child();
        OwnerId holder = child.<OwnerId>map(side -> relationship.end(side).entity()).orElse(relationship.id());
        DerivedTable table = derivation.stated().derived(holder).orElseThrow();
        List<MadeColumn> columns = table.columns().stream().filter(column -> madeBy(column, relationship))
                .map(column -> made(design, relationship, table, column)).toList();
        boolean canBeNull =
                relationship.parent().map(side -> relationship.end(side).cardinality().optional()).orElse(false);
        return new RelationshipLedger(relationship.id().value(),
                entity(design, relationship.first()) + " and " + entity(design, relationship.second()),
                List.of(reading(design, relationship, Side.FIRST), reading(design, relationship, Side.SECOND)),
                relationship.manyToMany(), relationship.oneToOne(),
                relationship.recursive(), design.identifying(relationship), relationship.mayIdentify(),
                child.map(Side::name).orElse(""),
                child.map(side -> entity(design, relationship.end(side))).orElse(""), relationship.onDelete().name(),
                relationship.onUpdate().name(), canBeNull,
                List.of(ReferentialAction.values()), columns,
                relationship.attributes().stream()
                        .map(attribute -> LedgerRow.own(design, attribute, attribute.required(), "")).toList(),
                relationship.name(), relationship.manyToMany() ? table.name() : "", assumptions(design, relationship),
                alternatives(design, relationship),
                excludable(design, relationship), proposed(design, relationship),
                design.categoryOf(relationship.id()).isPresent());
    }

    private static List<Pinned> assumptions(Design design, Relationship relationship) {
        return design.assumptions().stream().filter(assumption -> assumption.relationship().equals(relationship.id()))
                .map(assumption -> new Pinned(assumption.id().value(), assumption.number(), assumption.side().name(),
                        assumption.text()))
                .toList();
    }

    private static Optional<Alternatives> alternatives(Design design, Relationship relationship) {
        return design.exclusions().stream().filter(exclusion -> exclusion.alternatives().contains(relationship.id()))
                .findFirst().map(exclusion -> new Alternatives(
                        exclusion.id().value(), exclusion.mandatory(), exclusion.alternatives().stream()
                                .map(id -> childSentence(design, design.relationships().get(id))).toList()));
    }

    private static List<Choice> excludable(Design design, Relationship relationship) {
        return relationship.childEntity().stream().flatMap(child -> design.relationshipsOf(child))
                .filter(other -> !other.id().equals(relationship.id())
                && other.childEntity().equals(relationship.childEntity()) && !design.identifying(other)
                && design.exclusions().stream().noneMatch(exclusion -> exclusion.alternatives().contains(other.id())))
                .map(other -> new Choice(other.id().value(), childSentence(design, other))).toList();
    }

    private static String childSentence(Design design, Relationship relationship) {
        return Sentence.of(design, relationship, relationship.child().orElse(Side.FIRST)).text();
    }

    private static String proposed(Design design, Relationship relationship) {
        String both =
                entity(design, relationship.first()) + " " + Words.inSentence(entity(design, relationship.second()));
        return relationship.name().isBlank() ? both : relationship.name();
    }

    private static boolean madeBy(DerivedColumn column, Relationship relationship) {
        return column.path().part().equals(new InheritedPart(relationship.id()));
    }

    private static MadeColumn made(Design design, Relationship relationship, DerivedTable table,
            DerivedColumn column) {
        ColumnPath path = column.path();
        Side parent = path.hops().getFirst().parent();
        ColumnPath key = path.inParent();
        return new MadeColumn((parent + "-" + key).replace('.', '_').replace("+", "p"), parent.name(), key.toString(),
                column.name(),
                relationship.end(parent).columnNames().containsKey(key), column.column().type().text(), table.name(),
                entity(design, relationship.end(parent)));
    }

    private static Reading reading(Design design, Relationship relationship, Side side) {
        Sentence sentence = Sentence.of(design, relationship, side);
        End other = relationship.end(side.other());
        String object = Words.inSentence(entity(design, other));
        return new Reading(side.name(), side.other().name(), entity(design, relationship.end(side)), sentence.subject(),
                sentence.verb(), Sentence.words(other.cardinality()),
                object, other.cardinality().many() ? Words.plural(object) : object, relationship.end(side).role(),
                sentence.text(),
                relationship.end(side).agreed().equals(sentence.text()));
    }

    private static String entity(Design design, End end) {
        EntityId id = end.entity();
        return design.entities().get(id).name();
    }
}
