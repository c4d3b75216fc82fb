package entaxis.core.reconcile;

import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.function.ToLongFunction;
import java.util.stream.Stream;

/** How much of each kind was compared, so that “no difference” is a statement. */
public final class ComparedCounts {
    private ComparedCounts() { }

    private record Kind(String noun, ToLongFunction<Schema> count) { }

    private static final List<Kind> KINDS = Stream.concat(Stream.of(
            new Kind("table", schema -> schema.tables().size()),
            new Kind("column", schema -> sum(schema, table -> table.columns().size())),
            new Kind("key", schema -> sum(schema,
                    table -> table.uniqueKeys().size() + (table.primaryKey().isPresent() ? 1 : 0))),
            new Kind("reference", schema -> sum(schema, table -> table.foreignKeys().size())),
            new Kind("check", schema -> sum(schema, table -> table.checks().size())),
            new Kind("index", schema -> sum(schema, table -> table.indexes().size())),
            new Kind("sequence", schema -> schema.sequences().size()),
            new Kind("type", schema -> schema.types().size())),
            Stream.of(ProgramKind.values()).map(kind -> new Kind(kind.word(), schema -> programs(schema, kind))))
            .toList();

    private static long sum(Schema schema, ToLongFunction<Table> count) {
        return schema.tables().stream().mapToLong(count).sum();
    }

    private static long programs(Schema schema, ProgramKind kind) {
        return schema.programs().stream().map(Program::kind).filter(kind::equals).count();
    }

    /** What was compared, in words; two numbers where the sides have not the same. */
    public static String of(Schema from, Schema to) {
        List<String> words = new ArrayList<>();
        for (Kind kind : KINDS) {
            long one = kind.count().applyAsLong(from);
            long other = kind.count().applyAsLong(to);
            if (one != other) {
                words.add(one + " and " + Words.counted(other, kind.noun()));
            } else if (one > 0) {
                words.add(Words.counted(one, kind.noun()));
            }
        }
        return words.isEmpty() ? "nothing" : String.join(", ", words);
    }
}
