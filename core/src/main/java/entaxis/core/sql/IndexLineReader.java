package entaxis.core.sql;

import entaxis.core.derive.DerivedColumn;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.Index.IndexPart;
import entaxis.core.design.Index;
import entaxis.core.design.KeyPart;
import entaxis.core.design.SqlName;
import entaxis.core.token.TokenCursor;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * Reads an index as SQL writes it after {@code create}: {@code unique index by_day on (received_on desc, site_code)};
 * all before the bracket may be left out.
 */
public final class IndexLineReader {
    private IndexLineReader() { }

    /** An index, or why the line is none. */
    public sealed interface Reading { }

    /** The line says this. */
    public record Read(Index index) implements Reading { }

    /** It is no index, for this reason. */
    public record NotRead(String message) implements Reading { }

    /** Reads one index; columns are looked up in the table, those that relationships made among them. */
    public static Reading read(String text, DerivedTable table) {
        TokenCursor cursor = TokenCursor.withComments(text.strip().replaceFirst(";$", ""));
        cursor.accept("create");
        boolean unique = cursor.accept("unique");
        cursor.accept("index");
        String name =
                cursor.peek().isName() && !cursor.peek().is("on") && (cursor.peek(1).is("(") || cursor.peek(1).is("on"))
                        ? cursor.next().name() : "";
        if (cursor.accept("on") && cursor.peek().isName()) {
            cursor.next();
        }
        boolean bracket = cursor.accept("(");
        List<IndexPart> parts = new ArrayList<>();
        do {
            if (!cursor.peek().isName()) {
                return new NotRead("An index names the columns in their order, as in: (received_on desc, site_code)");
            }
            String column = cursor.next().name();
            Optional<DerivedColumn> found = table.columns().stream()
                    .filter(own -> own.name().equalsIgnoreCase(column) || own.name().equals(SqlName.of(column)))
                    .findFirst();
            if (found.isEmpty()) {
                return new NotRead("There is no column “" + column + "” in " + table.name() + ". It has: "
                        + table.columns().stream().limit(12).map(DerivedColumn::name)
                                .collect(Collectors.joining(", ")));
            }
            boolean descending = cursor.accept("desc");
            if (!descending) {
                cursor.accept("asc");
            }
            KeyPart part = found.get().path().part();
            if (parts.stream().noneMatch(other -> other.part().equals(part))) {
                parts.add(new IndexPart(part, descending));
            }
        } while (cursor.accept(","));
        if (bracket && !cursor.accept(")") || !cursor.atEnd()) {
            return new NotRead(
                    "After the columns of an index nothing follows; write as in: (received_on desc, site_code)");
        }
        return new Read(new Index(name, unique, parts));
    }

    /** The index as {@link #read} takes it. */
    public static String text(Index index, DerivedTable table) {
        List<String> columns = new ArrayList<>();
        for (IndexPart part : index.parts()) {
            table.columns().stream().filter(column -> column.path().part().equals(part.part()))
                    .forEach(column -> columns.add(column.name() + (part.descending() ? " desc" : "")));
        }
        return (index.unique() ? "unique " : "")
                + (index.name().isEmpty() ? ""
                        : "index " + (index.name().matches("\\w+") ? index.name() : "\"" + index.name() + "\"")
                                + " on ")
                + "(" + String.join(", ", columns) + ")";
    }
}
