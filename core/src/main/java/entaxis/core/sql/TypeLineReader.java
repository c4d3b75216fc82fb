package entaxis.core.sql;

import entaxis.core.design.Design;
import entaxis.core.design.Domain;
import entaxis.core.design.Enumeration;
import entaxis.core.design.NamedType;
import entaxis.core.design.SqlName;
import entaxis.core.design.Structure.Field;
import entaxis.core.design.Structure;
import entaxis.core.design.TypeId;
import entaxis.core.schema.Identity;
import entaxis.core.token.Token.Kind;
import entaxis.core.token.TokenCursor;
import entaxis.core.token.Token;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeNames;
import entaxis.core.type.TypeReader;
import entaxis.core.type.TypeReading.Known;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/**
 * Reads the definition of a type as SQL writes it, the word {@code create} left out if one likes: {@code domain
 * seed_count as integer default 0 check (value >= 0)}, {@code type storage_state as enum ('dry', 'cold')}, {@code type
 * map_spot as (lat numeric(8,5), lon numeric(8,5))}.
 */
public final class TypeLineReader {
    private TypeLineReader() { }

    /** What came of it. */
    public sealed interface Reading { }

    /** The line defines this type. */
    public record Defined(NamedType type) implements Reading { }

    /** It does not, for this reason. */
    public record NotDefined(String message) implements Reading { }

    /** Reads one definition. */
    public static Reading read(String text, TypeId id, TypeNames names) {
        int comment = text.indexOf("--");
        String meaning = comment < 0 ? "" : text.substring(comment + 2).strip();
        String definition = comment < 0 ? text : text.substring(0, comment);
        TokenCursor cursor = TokenCursor.withComments(definition.strip().replaceFirst(";$", ""));
        cursor.accept("create");
        boolean domain = cursor.accept("domain");
        boolean enumeration = !domain && (cursor.accept("enum") || cursor.accept("enumeration"));
        if (!domain && !enumeration && !cursor.accept("type")) {
            return new NotDefined(
                    "A definition begins with domain or type, as in: domain seed_count as integer check (value >= 0), "
                            + "or: type storage_state as enum ('dry', 'cold')");
        }
        if (!cursor.peek().isName()) {
            return new NotDefined("The type's name is missing, as in: type storage_state as enum ('dry', 'cold')");
        }
        String name = SqlName.of(cursor.next().name());
        cursor.accept("as");
        if (domain) {
            return domain(cursor, id, name, meaning, names);
        }
        return enumeration || cursor.accept("enum") ? enumeration(cursor, id, name, meaning)
                : structure(cursor, id, name, meaning, names);
    }

    private static Reading domain(TokenCursor cursor, TypeId id, String name, String meaning, TypeNames names) {
        String rest = cursor.rest();
        return switch (AttributeLineReader.readAll("x " + rest, names).stream().findFirst()
                .orElse(new AttributeLine.Fault(1, 1, "The type that it is made of is missing."))) {
            case AttributeLine.Fault(int line, int column, String message) -> new NotDefined(message);
            case AttributeLine.Understood(AttributeLine line) -> line.primaryKey() || line.unique() || line.required()
                    || line.generated().isPresent()
                    || line.identity() != Identity.NONE
                            ? new NotDefined(
                                    "A domain has a type, a default and a check; what else holds is said at the "
                                            + "attribute.")
                    : new Defined(new Domain(id, name, line.type(), line.defaultValue(), line.check(), meaning));
        };
    }

    private static Reading enumeration(TokenCursor cursor, TypeId id, String name, String meaning) {
        List<String> values = new ArrayList<>();
        boolean bracket = cursor.accept("(");
        while (!cursor.atEnd() && !(bracket && cursor.peek().is(")"))) {
            Token token = cursor.next();
            if (token.kind() != Kind.STRING) {
                return new NotDefined("“" + token.text()
                        + "” is no text in single quotes; list the values as in: ('dry', 'cold', 'frozen')");
            }
            values.add(token.string());
            if (!cursor.accept(",")) {
                break;
            }
        }
        if (bracket && !cursor.accept(")") || !cursor.atEnd()) {
            return new NotDefined(
                    "The list of values is not closed, or something follows it; write as in: "
                            + "('dry', 'cold', 'frozen')");
        }
        return new Defined(new Enumeration(id, name, values, meaning));
    }

    private static Reading structure(TokenCursor cursor, TypeId id, String name, String meaning, TypeNames names) {
        if (!cursor.accept("(")) {
            return new NotDefined(
                    "After the name of a type come enum and its values, or its fields in brackets, as in: type "
                            + "map_spot as (lat numeric(8,5), lon numeric(8,5))");
        }
        List<Field> fields = new ArrayList<>();
        do {
            if (!cursor.peek().isName()) {
                return new NotDefined("A field has a name and a type, as in: (lat numeric(8,5), lon numeric(8,5))");
            }
            String field = cursor.next().name();
            if (!(TypeReader.read(cursor, names) instanceof Known(SqlType type))) {
                return new NotDefined("The type of the field “" + field + "” is not understood.");
            }
            fields.add(new Field(field, type));
        } while (cursor.accept(","));
        return cursor.accept(")") && cursor.atEnd() ? new Defined(new Structure(id, name, fields, meaning))
                : new NotDefined("The bracket after the fields is not closed.");
    }

    /** The definition of a type as {@link #read} takes it, without its name and meaning. */
    public static String text(Design design, NamedType type) {
        return switch (type) {
            case Domain domain -> "domain " + domain.name() + " as " + design.text(domain.base())
                    + domain.defaultValue().map(value -> " default " + value).orElse("")
                    + domain.check().map(check -> " check (" + check + ")").orElse("");
            case Enumeration enumeration -> "type " + enumeration.name() + " as enum " + enumeration.values().stream()
                    .map(Dialect::quotedText).collect(Collectors.joining(", ", "(", ")"));
            case Structure structure -> "type " + structure.name() + " as "
                    + structure.fields().stream().map(field -> field.name() + " " + design.text(field.type()))
                    .collect(Collectors.joining(", ", "(", ")"));
        };
    }
}
