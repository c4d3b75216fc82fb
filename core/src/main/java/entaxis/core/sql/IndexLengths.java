package entaxis.core.sql;

import entaxis.core.schema.Column;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.sql.AdaptationNote.Kind;
import entaxis.core.type.SqlType.CharacterType;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * Indexes on several long texts look at the beginnings of these only, where an engine bounds the length of an index.
 * One that refuses equal rows stays as it is: it would refuse others.
 */
final class IndexLengths {
    private IndexLengths() { }

    /** The tables with indexes that are short enough; what is changed is noted. Linear. */
    static List<Table> cut(List<Table> tables, Dialect dialect, List<AdaptationNote> notes) {
        OptionalInt most = dialect.maxIndexCharacters();
        return most.isEmpty() ? tables : tables.stream().map(table -> {
            Map<String, Integer> lengths = table.columns().stream()
                    .filter(column -> column.type() instanceof CharacterType)
                    .collect(Collectors.toMap(Column::name, IndexLengths::length, Math::max));
            List<TableIndex> indexes = table.indexes().stream()
                    .map(index -> cut(table, index, lengths::get, most.getAsInt(), notes)).toList();
            return indexes.equals(table.indexes()) ? table : table.withIndexes(indexes);
        }).toList();
    }

    private static int length(Column column) {
        return ((CharacterType) column.type()).length().orElse(1);
    }

    private static TableIndex cut(Table table, TableIndex index, Function<String, Integer> lengths, int most,
            List<AdaptationNote> notes) {
        boolean texts = index.columns().stream().allMatch(part -> !part.expression());
        int all = !texts || index.unique() ? 0 : index.columns().stream()
                .mapToInt(part -> part.prefix().orElse(length(lengths, part))).sum();
        if (all <= most) {
            return index;
        }
        int share = most / index.columns().size();
        notes.add(new AdaptationNote(Kind.WORKED_AROUND, table.label(), index.name(), "an index holds at most " + most
                + " characters; it looks at the first " + share + " of each column"));
        return new TableIndex(index.name(), false, index.columns().stream()
                .map(part -> part.prefix().orElse(length(lengths, part)) <= share ? part
                        : part.beginning(OptionalInt.of(share)))
                .toList(), index.method(), index.predicate(), index.included());
    }

    private static int length(Function<String, Integer> lengths, IndexColumn part) {
        Integer length = lengths.apply(part.name());
        return length == null ? 2 : length;
    }
}
