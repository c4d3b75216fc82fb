package entaxis.core.migration;

import entaxis.core.reconcile.Conversion;
import entaxis.core.reconcile.EngineWordingRules;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.type.SqlType.EnumType;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Queries on the tables as they are before the script, that tell how many rows would make a step fail. */
final class Questions {
    private final Map<String, TableChange> changes;
    private final Schema from;
    private final Schema to;
    private final EngineWordingRules words;
    private final Alterations engine;

    Questions(Map<String, TableChange> changes, Schema from, Schema to, EngineWordingRules words, Alterations engine) {
        this.changes = changes;
        this.from = from;
        this.to = to;
        this.words = words;
        this.engine = engine;
    }

    /** The columns that a reference refers to; those of the primary key, if it names none. */
    static List<String> referenced(ForeignKey key, Schema schema) {
        if (!key.referencedColumns().isEmpty()) {
            return key.referencedColumns();
        }
        return schema.tables().stream()
                .filter(table -> table.label()
                        .equals(key.referenced().label()))
                .findFirst().map(Table::keyColumns).orElse(List.of());
    }

    /** What becomes of the values of a column. */
    Conversion conversion(Column before, Column after) {
        return Conversion.of(before.type(), from.types(), after.type(), to.types(), words.dialect());
    }

    /** How many rows share the values of these columns with another row, as the table is before the script. */
    Optional<String> duplicates(TableChange change, List<String> columns) {
        Set<String> replaced = new HashSet<>(change.dropped());
        change.fresh.forEach(column -> replaced.add(column.name()));
        Map<String, String> old = change.oldNames();
        List<String> there = columns.stream().filter(column -> !replaced.contains(column))
                .map(column -> engine.name(old.getOrDefault(column, column))).toList();
        String table = engine.writer.name(change.original);
        if (there.isEmpty()) {
            return Optional.of("SELECT count(*) - 1 FROM " + table);
        }
        String list = String.join(", ", there);
        String given = there.stream().map(column -> column + " IS NOT NULL").collect(Collectors.joining(" AND "));
        return Optional.of("SELECT count(*) FROM (SELECT " + list + " FROM " + table + " WHERE " + given + " GROUP BY "
                + list + " HAVING count(*) > 1) same");
    }

    /** How many rows break a rule; none where the rule speaks of what is not there yet. */
    Optional<String> violations(TableChange change, CheckRule check) {
        Set<String> replaced = new HashSet<>(change.dropped());
        change.fresh.forEach(column -> replaced.add(column.name()));
        Set<String> small = new HashSet<>();
        replaced.addAll(change.retyped);
        replaced.forEach(name -> small.add(name.toLowerCase(Locale.ROOT)));
        if (TableChange.speaksOf(check.condition(), small, words.dialect())) {
            return Optional.empty();
        }
        Map<String, String> exchanged = new HashMap<>();
        change.oldNames().forEach((now, before) -> exchanged.put(now.toLowerCase(Locale.ROOT), engine.name(before)));
        return Optional.of("SELECT count(*) FROM " + engine.writer.name(change.original) + " WHERE NOT ("
                + words.dialect().written(check.condition().renamed(exchanged)) + ")");
    }

    /**
     * How many rows refer to nothing, as the tables are before the script; none where a column of either side is not
     * there yet.
     */
    Optional<String> orphans(TableChange change, ForeignKey key) {
        TableChange other = changes.get(words.folded(key.referenced().label()));
        List<String> referenced = referenced(key, to);
        boolean there =
                other != null && key.columns().stream().allMatch(column -> change.before.column(column).isPresent())
                        && referenced.stream().allMatch(column -> other.before.column(column).isPresent())
                        && referenced.size() == key.columns().size();
        boolean required =
                key.columns().stream().allMatch(name -> change.after.column(name).map(Column::required).orElse(false));
        String table = engine.writer.name(change.original);
        Map<String, String> own = change.oldNames();
        if (!there) {
            boolean known = key.columns().stream().allMatch(column -> change.before.column(column).isPresent());
            return known ? Optional.of("SELECT count(*) FROM " + table + " WHERE " + key.columns().stream()
                    .map(column -> engine.name(own.getOrDefault(column, column)) + " IS NOT NULL")
                    .collect(Collectors.joining(" AND ")))
                    : required ? Optional.of("SELECT count(*) FROM " + table) : Optional.empty();
        }
        Map<String, String> theirs = other.oldNames();
        boolean comparable = true;
        StringBuilder match = new StringBuilder();
        StringBuilder given = new StringBuilder();
        for (int i = 0; i < key.columns().size(); i++) {
            String column = engine.name(own.getOrDefault(key.columns().get(i), key.columns().get(i)));
            String parent = engine.name(theirs.getOrDefault(referenced.get(i), referenced.get(i)));
            match.append(i == 0 ? "" : " AND ").append("there.").append(parent).append(" = own.").append(column);
            given.append("own.").append(column).append(" IS NOT NULL AND ");
            SqlType ownType = change.before.column(key.columns().get(i)).orElseThrow().type();
            SqlType theirType = other.before.column(referenced.get(i)).orElseThrow().type();
            comparable &= ownType.equals(theirType) || Conversion.alike(ownType, theirType);
        }
        if (!comparable) {
            return Optional.empty();
        }
        return Optional.of("SELECT count(*) FROM " + table + " own WHERE " + given + "NOT EXISTS (SELECT 1 FROM "
                + engine.writer.name(other.original) + " there WHERE " + match + ")");
    }

    /**
     * How many rows have a value that an enumeration no longer lists, or that the condition of a domain refuses; none
     * where every value stays one.
     */
    Optional<String> unlisted(TableChange change, Column before, Column after) {
        String name = engine.name(change.oldNames().getOrDefault(before.name(), before.name()));
        String rows = "SELECT count(*) FROM " + engine.writer.name(change.original) + " WHERE ";
        List<String> lost = new ArrayList<>(values(before.type(), from));
        List<String> listed = values(after.type(), to);
        lost.removeAll(listed);
        if (!listed.isEmpty() && !lost.isEmpty()) {
            return Optional.of(rows + name + " IN " + words.dialect().values(lost));
        }
        return to.types().stream()
                .filter(type -> type instanceof DomainDefinition && after.type().equals(type.type()))
                .flatMap(type -> ((DomainDefinition) type).checkOfAll().stream())
                .map(check -> rows + "NOT (" + words.dialect()
                        .written(check.condition().renamed(Map.of("value", name))) + ")")
                .findFirst();
    }

    /** The values of an enumeration, wherever it is defined. */
    private static List<String> values(SqlType type, Schema schema) {
        return switch (type) {
            case EnumType(List<String> values) -> values;
            case UserType user -> schema.types().stream()
                    .filter(one -> one instanceof EnumDefinition && one.type().equals(user))
                    .map(one -> ((EnumDefinition) one).values()).findFirst().orElse(List.of());
            default -> List.of();
        };
    }
}
