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
import java.util.function.Function;

/**
 * The fields of a form that a page sent. Fields that only a script fills are refused as {@link WrongRequest} when they
 * are not what it writes.
 */
public record EditForm(Map<String, String> fields) {
    /** A field's text as typed; empty if it was not sent. */
    public String text(String field) {
        return fields.getOrDefault(field, "");
    }

    /**
     * What a field says.
     *
     * @param reader refuses what it does not know by an {@link IllegalArgumentException}
     * @throws WrongRequest if it says nothing that is known
     */
    public <T> T read(String field, Function<String, T> reader) {
        return WrongRequest.unlessRead(field, text(field), reader);
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
        return read("entity", EntityId::new);
    }

    OwnerId owner() {
        return read("owner", OwnerId::of);
    }

    AttributeId attribute() {
        return read("attribute", AttributeId::new);
    }

    RelationshipId relationship() {
        return read("relationship", RelationshipId::new);
    }

    Side side() {
        return read("side", Side::valueOf);
    }

    KeyPart part() {
        return read("part", id -> id.startsWith("a") ? new KeyPart.OwnPart(new AttributeId(id))
                : new KeyPart.InheritedPart(new RelationshipId(id)));
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

    /** The whole number nearest to the one in a field. */
    public int number(String field) {
        return read(field, text -> Math.round(Float.parseFloat(text)));
    }

    boolean yes() {
        return value().equals("true") || value().equals("on");
    }
}
