package entaxis.web.edit;

import entaxis.core.design.AttributeId;
import entaxis.core.design.Design;
import entaxis.core.design.EntityId;
import entaxis.core.design.KeyPart;
import entaxis.core.design.OwnerId;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.design.Side;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/**
 * The fields of a form that a page sent. Fields that only a script fills are refused as {@link
 * IllegalArgumentException} when they are not what it writes; {@link EditReader} makes a {@link WrongRequest} of it.
 */
public record EditForm(Map<String, String> fields) {
    /** A field's text as typed; empty if it was not sent. */
    public String text(String field) {
        return fields.getOrDefault(field, "");
    }

    /**
     * What is to be done.
     *
     * @throws WrongRequest if it is no edit
     */
    public EditKind kind() {
        return EditKind.of(text("kind")).orElseThrow(this::unknown);
    }

    /** The answer to an edit that nobody reads. */
    WrongRequest unknown() {
        return new WrongRequest("“" + text("kind") + "” is no edit");
    }

    /** The value typed or chosen. */
    public String value() {
        return text("value");
    }

    EntityId entity() {
        return new EntityId(text("entity"));
    }

    OwnerId owner() {
        return OwnerId.of(text("owner"));
    }

    AttributeId attribute() {
        return new AttributeId(text("attribute"));
    }

    RelationshipId relationship() {
        return new RelationshipId(text("relationship"));
    }

    Side side() {
        return Side.valueOf(text("side"));
    }

    KeyPart part() {
        String id = text("part");
        return id.startsWith("a") ? new KeyPart.OwnPart(new AttributeId(id))
                : new KeyPart.InheritedPart(new RelationshipId(id));
    }

    /** The sheet that the page shows; the first one if it names none that is there. */
    public Sheet sheet(Design design) {
        String id = text("sheet");
        return id.matches("p[0-9a-z]{1,24}") ? design.sheets().find(new SheetId(id)).orElseGet(design::sheet)
                : design.sheet();
    }

    /** Identities of cards, joined by commas. */
    public List<OwnerId> cards(String field) {
        return Arrays.stream(text(field).split(",")).filter(id -> id.matches("[er][0-9a-z]{1,24}")).map(OwnerId::of)
                .toList();
    }

    int number(String field) {
        return Math.round(Float.parseFloat(text(field)));
    }

    boolean yes() {
        return value().equals("true") || value().equals("on");
    }
}
