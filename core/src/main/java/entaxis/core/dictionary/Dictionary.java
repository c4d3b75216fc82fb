package entaxis.core.dictionary;

import entaxis.core.derive.Derivation;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Design;
import entaxis.core.design.OwnerId;
import entaxis.core.design.RelationshipId;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Stream;

/**
 * The data dictionary of a design (the catalogue of what each datum means; ISO/IEC 11179-1 calls its entries data
 * elements): by subject area, entity by entity, with every attribute, then the types, views and routines.
 *
 * @param title  what it is about
 * @param author who made it; may be empty
 * @param target the engine in whose words types are given beside the ISO ones
 */
public record Dictionary(String title, String author, String target, List<Part> parts, List<TypeEntry> types,
        List<ProgramEntry> programs) {
    /** Copies the lists. */
    public Dictionary {
        parts = List.copyOf(parts);
        types = List.copyOf(types);
        programs = List.copyOf(programs);
    }

    /**
     * A subject area, or what is in none.
     *
     * @param hue number of its colour, if it is an area
     */
    public record Part(String name, OptionalInt hue, List<EntityEntry> entities) {
        /** Copies the entries. */
        public Part {
            entities = List.copyOf(entities);
        }
    }

    /**
     * An entity, or a many-to-many with the table that it becomes.
     *
     * @param table     name of its table; empty if it has none of its own
     * @param keys      alternate keys, each with its columns
     * @param readings  its relationships, read from it
     * @param rules     conditions on more than one attribute
     * @param indexes   its indexes in words
     * @param accepted  faults that the designer lives with, with the reason
     */
    public record EntityEntry(OwnerId owner, String name, String table, String meaning, List<AttributeEntry> attributes,
            List<String> keys, List<Reading> readings,
            List<String> rules, List<String> indexes, List<String> accepted) {
        /** Copies the lists. */
        public EntityEntry {
            attributes = List.copyOf(attributes);
            keys = List.copyOf(keys);
            readings = List.copyOf(readings);
            rules = List.copyOf(rules);
            indexes = List.copyOf(indexes);
            accepted = List.copyOf(accepted);
        }
    }

    /**
     * An attribute, or a column that a relationship brought.
     *
     * @param own          its identity, if it is the entity's own
     * @param rank         rank in the primary key from 1; 0 for none
     * @param marks        {@code FK} and numbers of alternate keys such as {@code AK1}
     * @param type         in ISO words, or by the name that the design gave it
     * @param targetType   as the target engine spells it
     * @param required     whether it must have a value
     * @param defaultValue what it is where nothing is given: an expression, how it is numbered, or what it is computed
     *                     from; may be empty
     * @param values       which values are allowed, in words; may be empty
     * @param source       where a migrated column comes from; none for an own attribute
     * @param example      one that was typed, else from the sample rows; may be empty
     * @param typedExample whether the example was typed
     */
    public record AttributeEntry(Optional<AttributeId> own, String name, int rank, List<String> marks, String type,
            String targetType, boolean required, String defaultValue,
            String values, String meaning, Optional<Source> source, String example, boolean typedExample) {
        /** Copies the marks. */
        public AttributeEntry {
            marks = List.copyOf(marks);
        }

        /** Whether nobody wrote yet what it means. */
        public boolean undescribed() {
            return own.isPresent() && meaning.isBlank();
        }

        /** Where a migrated column comes from, in words; empty for an own attribute. */
        public String origin() {
            return source.map(from -> "from “" + from.verb() + "”: " + from.entity()).orElse("");
        }

        /** Whether it must have a value, in words. */
        public String valueText() {
            return required ? "required" : "may be empty";
        }

        /** What it means, or where it comes from. */
        public String says() {
            return source.isPresent() ? origin() : meaning;
        }

        /** Its cells in the tables of documents: key, name, type, value, default, allowed values, meaning, example. */
        public List<String> cells() {
            return List.of(keyText(), name, type, valueText(), defaultValue, values, says(), example);
        }

        /** Key marks as one text: the rank, then the others. */
        public String keyText() {
            return (rank > 0 ? rank + " " : "") + String.join(" ", marks);
        }
    }

    /**
     * The relationship that brought a column.
     *
     * @param relationship its identity
     * @param entity       the entity whose key it is
     * @param verb         the verb phrase that is read from that entity
     */
    public record Source(RelationshipId relationship, String entity, String verb) { }

    /** A relationship read from an entity: the parts of its sentence, and the assumptions that decided how many. */
    public record Reading(String subject, String verb, String number, String object, List<Assumed> assumptions) {
        /** Copies the assumptions. */
        public Reading {
            assumptions = List.copyOf(assumptions);
        }

        /** The whole sentence. */
        public String sentence() {
            return "Each " + subject + " " + verb + " " + number + " " + object + ".";
        }
    }

    /** A numbered assumption. */
    public record Assumed(int number, String text) { }

    /**
     * A domain, an enumeration or a structured type.
     *
     * @param kind       which of them, as a word
     * @param structured whether it is made of fields
     * @param definition what it is made of, in words
     * @param uses       how many attributes have it
     */
    public record TypeEntry(String kind, boolean structured, String name, String definition, String meaning, int uses) {
        /** The headings of a table of types. */
        public static final List<String> HEADINGS = List.of("Name", "Kind", "Made of", "Meaning");

        /** Its cells under the headings. */
        public List<String> cells() {
            return List.of(name, kind, definition, meaning);
        }
    }

    /**
     * A view, routine, trigger or sequence.
     *
     * @param kind what it is, such as {@code trigger before insert on seed_lot}
     */
    public record ProgramEntry(String kind, String name, String text) { }

    /** The dictionary of a design. Runs in time linear in columns, relationships and rows. */
    public static Dictionary of(Design design, Derivation derivation) {
        return new DictionaryMaker(design, derivation).make();
    }

    /** All entries in order. */
    public Stream<EntityEntry> entities() {
        return parts.stream().flatMap(part -> part.entities().stream());
    }
}
