package entaxis.web.edit;

import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Every kind of edit that a page can ask for. Its word, which forms carry, says what it is about and what is done. */
public enum EditKind {
    // the design as a whole
    FACTS_NAME("facts.name"), FACTS_TARGET("facts.target"), FACTS_TITLE("facts.title"), FACTS_AUTHOR("facts.author"),
    // an entity
    ENTITY_ADD("entity.add"), ENTITY_NAME("entity.name"), ENTITY_MEANING("entity.meaning"),
    ENTITY_AREA("entity.area"), ENTITY_REMOVE("entity.remove"), ENTITY_DISSOLVE("entity.dissolve"),
    ENTITY_DUPLICATE("entity.duplicate"),
    // an attribute
    ATTRIBUTE_ADD("attribute.add"), ATTRIBUTE_NAME("attribute.name"), ATTRIBUTE_TYPE("attribute.type"),
    ATTRIBUTE_REQUIRED("attribute.required"), ATTRIBUTE_DEFAULT("attribute.default"),
    ATTRIBUTE_CHECK("attribute.check"), ATTRIBUTE_MEANING("attribute.meaning"), ATTRIBUTE_KEY("attribute.key"),
    ATTRIBUTE_MOVE("attribute.move"), ATTRIBUTE_REMOVE("attribute.remove"),
    // a relationship
    RELATIONSHIP_ADD("relationship.add"), RELATIONSHIP_VERB("relationship.verb"),
    RELATIONSHIP_MANY("relationship.many"), RELATIONSHIP_IDENTIFYING("relationship.identifying"),
    RELATIONSHIP_ROLE("relationship.role"), RELATIONSHIP_COLUMN("relationship.column"),
    RELATIONSHIP_DELETE("relationship.delete"), RELATIONSHIP_UPDATE("relationship.update"),
    RELATIONSHIP_NAME("relationship.name"), RELATIONSHIP_CHILD("relationship.child"),
    RELATIONSHIP_TURN("relationship.turn"), RELATIONSHIP_REMOVE("relationship.remove"),
    RELATIONSHIP_AGREE("relationship.agree"), RELATIONSHIP_RESOLVE("relationship.resolve"),
    // cards on a sheet
    CARDS_PLACE("cards.place"), CARDS_HIDE("cards.hide"), CARDS_SHOW("cards.show"), CARDS_OFF("cards.off"),
    CARDS_PIN("cards.pin"), CARDS_AREA("cards.area"), CARDS_REMOVE("cards.remove"),
    // a sheet
    SHEET_ADD("sheet.add"), SHEET_NAME("sheet.name"), SHEET_REMOVE("sheet.remove"), SHEET_PAPER("sheet.paper"),
    SHEET_NOTATION("sheet.notation"), SHEET_DETAIL("sheet.detail"), SHEET_TYPES("sheet.types"),
    SHEET_COMMENTS("sheet.comments"), SHEET_INDEXES("sheet.indexes"), SHEET_FRAME("sheet.frame"),
    SHEET_TITLE("sheet.title"),
    // the way of a line
    LINE_SIDE("line.side"), LINE_WAY("line.way"), LINE_CORNERS("line.corners"),
    // a note on a sheet
    NOTE_ADD("note.add"), NOTE_TEXT("note.text"), NOTE_WIDTH("note.width"), NOTE_REMOVE("note.remove"),
    // a picture on a sheet
    PICTURE_TITLE("picture.title"), PICTURE_WIDTH("picture.width"), PICTURE_REMOVE("picture.remove"),
    // a key
    KEY_SURROGATE("key.surrogate"), KEY_TAKE("key.take"),
    // indexes and conditions of a table
    TABLE_INDEX("table.index"), TABLE_RULE("table.rule"),
    TABLE_SPLIT("table.split"), TABLE_PARTITION("table.partition"),
    // a type of the design
    TYPE_ADD("type.add"), TYPE_DEFINE("type.define"), TYPE_MEANING("type.meaning"), TYPE_REMOVE("type.remove"),
    // the naming policy
    NAMING_APPLY("naming.apply"), NAMING_ENTITIES("naming.entities"), NAMING_TABLES("naming.tables"),
    NAMING_LETTERS("naming.letters"), NAMING_SEPARATOR("naming.separator"), NAMING_PREFIX("naming.prefix"),
    NAMING_TEMPLATE("naming.template"),
    // findings
    FINDING_REMEDY("finding.remedy"), FINDING_GROUP("finding.group"), FINDING_ACCEPT("finding.accept"),
    FINDING_REOPEN("finding.reopen"), FINDING_LEVEL("finding.level"),
    // a category
    CATEGORY_KIND("category.kind"), CATEGORY_COMPLETE("category.complete"), CATEGORY_DISJOINT("category.disjoint"),
    CATEGORY_MAPPING("category.mapping"), CATEGORY_DISCRIMINATOR("category.discriminator"),
    CATEGORY_REMOVE("category.remove"),
    // relationships that exclude each other
    EXCLUSION_ADD("exclusion.add"), EXCLUSION_MANDATORY("exclusion.mandatory"), EXCLUSION_REMOVE("exclusion.remove"),
    // an assumption
    ASSUMPTION_ADD("assumption.add"), ASSUMPTION_TEXT("assumption.text"),
    // several attributes
    ATTRIBUTES_MOVE("attributes.move"),
    // typed sentences
    SENTENCES_ADD("sentences.add"),
    // a subject area
    AREA_HUE("area.hue"), AREA_NAME("area.name"), AREA_REMOVE("area.remove"),
    // cells of the dictionary
    DICTIONARY_CELLS("dictionary.cells"),
    // several entities
    ENTITIES_PASTE("entities.paste");

    private static final Map<String, EditKind> BY_WORD =
            Stream.of(values()).collect(Collectors.toMap(EditKind::word, Function.identity()));

    private final String word;

    EditKind(String word) {
        this.word = word;
    }

    /** The kind of this word. */
    public static Optional<EditKind> of(String word) {
        return Optional.ofNullable(BY_WORD.get(word));
    }

    /** The word that forms carry. */
    public String word() {
        return word;
    }

    /** What it is about: the part of the word before the point. */
    public String subject() {
        return word.substring(0, word.indexOf('.'));
    }
}
