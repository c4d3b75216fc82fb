package entaxis.core.dictionary.reading;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What a column of a dictionary tells, recognised by the words that people put above it. */
public enum ColumnRole {
    AREA("subject area", "area", "subject area", "domain area", "module", "subject", "group"),
    ENTITY("entity", "entity", "entity name", "table", "table name", "class", "class name", "object", "object name",
            "belongs to", "file", "record type"),
    ENTITY_MEANING("meaning of the entity", "entity meaning", "table description", "entity description",
            "table comment", "class description", "what it is"),
    ATTRIBUTE("attribute", "attribute", "attribute name", "field", "field name", "column", "column name", "name",
            "data element", "element", "element name", "property", "variable",
            "attributes", "fields", "columns", "fieldname", "columnname"),
    TYPE("type", "type", "data type", "datatype", "format", "domain", "field type", "column type", "kind of data",
            "sql type"),
    ENGINE_TYPE("not used", "engine type"),
    LENGTH("length", "length", "size", "len", "max length", "width", "field size", "length/precision", "precision",
            "characters"),
    SCALE("decimal places", "scale", "decimals", "decimal places"),
    KEY("key", "key", "keys", "key type", "pk/fk", "constraint", "constraints", "index", "key?"),
    PRIMARY("primary key", "pk", "primary", "primary key", "primary key?", "is key", "identifier", "pk?"),
    REQUIRED("required", "required", "mandatory", "not null", "required?", "mandatory?", "m/o", "obligatory",
            "is required", "must be filled"),
    OPTIONAL("may be empty", "null", "null?", "nullable", "optional", "allow null", "allows null", "nulls",
            "may be empty", "optional?", "null allowed", "nulls allowed", "value"),
    DEFAULT("default", "default", "default value", "initial value", "defaults"),
    UNIQUE("unique", "unique", "unique?", "is unique", "no duplicates", "uk", "ak"),
    REFERENCES("references", "references", "foreign key", "fk", "related to", "refers to", "reference", "relates to",
            "fk to", "lookup", "parent", "foreign key to", "references table", "fk table",
            "points to", "linked to"),
    RELATIONSHIP("relationship", "relationship", "relation", "role"),
    VALUES("allowed values", "allowed values", "values", "valid values", "codes", "allowed", "enumeration", "check",
            "rule", "validation"),
    MEANING("meaning", "meaning", "description", "comment", "comments", "notes", "note", "definition", "remarks",
            "remark", "explanation", "what it means", "purpose"),
    EXAMPLE("example", "example", "examples", "sample", "sample value", "e.g.", "example value"),
    NONE("not used");

    private final String title;
    private final List<String> words;

    ColumnRole(String title, String... words) {
        this.title = title;
        this.words = List.of(words);
    }

    /** In plain words. */
    public String title() {
        return title;
    }

    /** The role of a column with this heading, if it is one that is known. */
    public static Optional<ColumnRole> of(String heading) {
        String plain = heading.toLowerCase(Locale.ROOT).replaceAll("[_\\s]+", " ").replaceAll("[:*]+$", "").strip();
        return Arrays.stream(values()).filter(role -> role.words.contains(plain)).findFirst();
    }

    /**
     * The roles of a row of headings. A role that several have goes to the first; a second “name” beside an entity
     * column stays the attribute's.
     */
    static List<ColumnRole> row(List<String> headings) {
        List<ColumnRole> roles = new ArrayList<>();
        for (String heading : headings) {
            ColumnRole role = of(heading).orElse(NONE);
            roles.add(roles.contains(role) ? NONE : role);
        }
        return List.copyOf(roles);
    }
}
