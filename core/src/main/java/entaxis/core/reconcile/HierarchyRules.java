package entaxis.core.reconcile;

import entaxis.core.expression.Expression;
import entaxis.core.schema.Column;
import entaxis.core.schema.Hierarchy;
import entaxis.core.schema.PartitionBound;
import entaxis.core.schema.Partitioning;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.sql.HierarchyWriter;
import entaxis.core.type.SqlType.TimestampType;
import entaxis.core.type.SqlType;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/** Words a table's parents and partitions for people, and tells when two of them mean the same. */
public final class HierarchyRules {
    private static final int DATE_LENGTH = 10;
    private static final int MOMENT_LENGTH = 19;
    private final EngineWordingRules words;
    private final HierarchyWriter writer;

    /** The rules of an engine. */
    public HierarchyRules(EngineWordingRules words) {
        this.words = words;
        this.writer = words.writer().hierarchies();
    }

    /** What a table is to its parents, in words. */
    public String wording(Hierarchy hierarchy) {
        String parents = hierarchy.parentsInWords();
        return hierarchy.bound().map(bound -> "a partition of " + parents + " " + writer.bound(bound))
                .orElse(parents.isEmpty() ? "a table of its own" : "a child of " + parents);
    }

    /** By what a table is split, in words. */
    public String wording(Optional<Partitioning> partitioning) {
        return partitioning.map(by -> "partitioned by " + writer.partitioning(by)).orElse("not partitioned");
    }

    /**
     * What a table is to its parents.
     *
     * @param whole the table that it is a partition of, if that is known; the types of its columns tell which values
     *              of bounds are one
     */
    String sense(Hierarchy hierarchy, Optional<Table> whole) {
        return words.folded(hierarchy.parents().stream().map(QualifiedName::label).sorted().toList())
                + hierarchy.bound().map(bound -> sense(bound, whole)).orElse("");
    }

    /**
     * Whether a table inherits from the same tables as before, or is the same partition.
     *
     * @param whole the table that it is a partition of on the wanted side, if that is known
     */
    public boolean same(Table before, Table after, Optional<Table> whole) {
        return sense(before.knownHierarchy(), whole).equals(sense(after.knownHierarchy(), whole));
    }

    private String sense(PartitionBound bound, Optional<Table> whole) {
        List<IndexColumn> key = whole.flatMap(table -> table.knownHierarchy().partitioning())
                .map(Partitioning::key).orElse(List.of());
        return switch (bound) {
            case PartitionBound.Range(var from, var to) ->
                    "from " + senses(from, key, whole) + " to " + senses(to, key, whole);
            case PartitionBound.Values(var values) ->
                    "in " + values.stream().map(value -> sense(value, key, 0, whole)).sorted().toList();
            case PartitionBound.Remainder remainder -> remainder.toString();
            case PartitionBound.Default() -> "default";
        };
    }

    private List<String> senses(List<Expression> values, List<IndexColumn> key, Optional<Table> whole) {
        return IntStream.range(0, values.size()).mapToObj(i -> sense(values.get(i), key, i, whole)).toList();
    }

    private String sense(Expression value, List<IndexColumn> key, int at, Optional<Table> whole) {
        Optional<SqlType> type = at < key.size()
                ? whole.flatMap(table -> table.column(key.get(at).column())).map(Column::type) : Optional.empty();
        String sense = type.map(known -> words.defaultSense(Column.of("", known).withDefault(Optional.of(value))))
                .orElseGet(() -> words.sense(value));
        return type.filter(TimestampType.class::isInstance).isPresent() ? moment(sense) : sense;
    }

    /** A moment in quotes, with its time of the day; the zone of the session, which a catalog adds, is left out. */
    private static String moment(String text) {
        String bare = text.startsWith("'") && text.endsWith("'") && text.length() > 1
                ? text.substring(1, text.length() - 1).strip().replace(' ', 'T') : "";
        try {
            return bare.length() == DATE_LENGTH ? LocalDate.parse(bare).atStartOfDay().toString()
                    : bare.length() >= MOMENT_LENGTH
                            ? LocalDateTime.parse(bare.substring(0, MOMENT_LENGTH)) + fraction(bare) : text;
        } catch (DateTimeException notOne) {
            return text;
        }
    }

    private static String fraction(String moment) {
        String rest = moment.substring(MOMENT_LENGTH);
        int end = 0;
        while (end < rest.length() && (rest.charAt(end) == '.' || Character.isDigit(rest.charAt(end)))) {
            end++;
        }
        return rest.substring(0, end);
    }

    /** By what a table is split. */
    public String sense(Optional<Partitioning> partitioning) {
        return partitioning.map(by -> by.method() + " " + by.key().stream()
                .map(part -> part.computed().map(words::sense).orElseGet(() -> words.folded(part.column()))
                        + part.ordering().text()).toList()).orElse("");
    }
}
