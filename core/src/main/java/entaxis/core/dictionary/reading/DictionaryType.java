package entaxis.core.dictionary.reading;

import entaxis.core.design.Domain;
import entaxis.core.design.Enumeration;
import entaxis.core.design.NamedType;
import entaxis.core.design.SqlName;
import entaxis.core.design.Structure;
import entaxis.core.design.Structure.Field;
import entaxis.core.design.TypeId;
import entaxis.core.dictionary.reading.ReadDictionary.ReadType;
import entaxis.core.expression.SingleExpression;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeReader;
import entaxis.core.type.TypeReading.Known;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** Reads what a type is made of, as dictionaries say it: “one of: a, b”, a type with a condition, or named fields. */
final class DictionaryType {
    private static final String ONE_OF = "one of: ";

    private DictionaryType() { }

    /** Whether a text defines a type, or may do so once the types of its fields are known. */
    static boolean understood(String text) {
        return read(new ReadType("type", "", text, ""), new TypeId("t1"),
                name -> TypeReader.read("integer") instanceof Known(SqlType any) ? Optional.of(any) : Optional.empty())
                .isPresent();
    }

    static Optional<NamedType> read(ReadType type, TypeId id, Function<String, Optional<SqlType>> defined) {
        String text = type.definition();
        String name = SqlName.of(type.name());
        if (text.startsWith(ONE_OF)) {
            return Optional.of(
                    new Enumeration(id, name, List.of(text.substring(ONE_OF.length()).split(", ")), type.meaning()));
        }
        Optional<NamedType> domain = domain(type, name, id);
        return domain.isPresent() ? domain : structure(text, name, id, type.meaning(), defined);
    }

    /** A domain is written as its type, then a condition after a comma, then its meaning in parentheses. */
    private static Optional<NamedType> domain(ReadType type, String name, TypeId id) {
        String text = type.definition();
        if (!type.meaning().isBlank() && text.endsWith(" (" + type.meaning() + ")")) {
            text = text.substring(0, text.length() - type.meaning().length() - " ()".length());
        }
        Optional<SqlType> whole = known(text).or(() -> known(type.definition().replaceFirst(" \\([^()]*\\)$", "")));
        if (whole.isPresent()) {
            return whole.map(base -> new Domain(id, name, base, Optional.empty(), Optional.empty(), type.meaning()));
        }
        for (int comma = text.indexOf(", "); comma >= 0; comma = text.indexOf(", ", comma + 1)) {
            Optional<SqlType> base = known(text.substring(0, comma));
            Optional<String> condition = condition(text.substring(comma + 2));
            if (base.isPresent() && condition.isPresent()) {
                return Optional.of(new Domain(id, name, base.get(), Optional.empty(), condition, type.meaning()));
            }
        }
        return Optional.empty();
    }

    private static Optional<String> condition(String text) {
        return Optional.of(text).filter(whole -> SingleExpression.fault(whole).isEmpty())
                .or(() -> Optional.of(text.replaceFirst(" \\([^()]*\\)$", ""))
                        .filter(part -> SingleExpression.fault(part).isEmpty()));
    }

    private static Optional<NamedType> structure(String text, String name, TypeId id, String meaning,
            Function<String, Optional<SqlType>> defined) {
        List<Field> fields = new ArrayList<>();
        for (String part : text.split(", (?![^()]*\\))")) {
            String[] words = part.strip().split("\\s+", 2);
            Optional<SqlType> type =
                    words.length < 2 ? Optional.empty() : known(words[1]).or(() -> defined.apply(words[1]));
            if (type.isEmpty()) {
                return Optional.empty();
            }
            fields.add(new Field(words[0], type.get()));
        }
        return Optional.of(new Structure(id, name, fields, meaning));
    }

    private static Optional<SqlType> known(String text) {
        return TypeReader.read(text) instanceof Known(SqlType type) ? Optional.of(type) : Optional.empty();
    }
}
