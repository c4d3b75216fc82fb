package entaxis.core.reverse;

import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Finds references that exist only by name, and makes foreign keys of those that are accepted. */
public final class References {
    private static final Set<String> BARE = Set.of("id", "no", "nr", "code", "uuid", "key", "name");

    private References() { }

    /** References by name, in the order of tables and columns. Each column is looked up by name, so this is linear. */
    public static List<Proposal> proposed(Schema schema) {
        Map<String, Table> byName = new HashMap<>();
        Map<String, List<Table>> byKey = new HashMap<>();
        for (Table table : schema.tables()) {
            if (table.keyColumns().size() != 1) {
                continue;
            }
            byName.put(table.name().toLowerCase(Locale.ROOT), table);
            byName.putIfAbsent(Words.singular(table.name().toLowerCase(Locale.ROOT)), table);
            byKey.computeIfAbsent(table.keyColumns().getFirst().toLowerCase(Locale.ROOT), any -> new ArrayList<>())
                    .add(table);
        }
        List<Proposal> proposals = new ArrayList<>();
        for (Table table : schema.tables()) {
            Set<String> said = new HashSet<>();
            table.foreignKeys().forEach(key -> said.addAll(key.columns()));
            for (Column column : table.columns()) {
                if (!said.contains(column.name())) {
                    proposal(table, column, byName, byKey).ifPresent(proposals::add);
                }
            }
        }
        return proposals;
    }

    private static Optional<Proposal> proposal(Table table, Column column, Map<String, Table> byName,
            Map<String, List<Table>> byKey) {
        String name = column.name().toLowerCase(Locale.ROOT);
        List<String> reasons = new ArrayList<>();
        Optional<Table> parent = Optional.empty();
        for (String key : BARE) {
            String suffix = name.endsWith("_" + key) ? "_" + key : "";
            if (!suffix.isEmpty() && parent.isEmpty()) {
                String stem = name.substring(0, name.length() - suffix.length());
                Table named = byName.get(stem);
                if (named != null && (named.keyColumns().getFirst().equalsIgnoreCase(key)
                        || named.keyColumns().getFirst().equalsIgnoreCase(name))) {
                    parent = Optional.of(named);
                    reasons.add("it is called after the table " + named.name() + " and its key "
                            + named.keyColumns().getFirst());
                }
            }
        }
        List<Table> sameKey = byKey.getOrDefault(name, List.of());
        if (parent.isEmpty() && sameKey.size() == 1 && !BARE.contains(name)) {
            parent = Optional.of(sameKey.getFirst());
            reasons.add("it is called like the key of " + sameKey.getFirst().name());
        }
        if (parent.isEmpty() || parent.get() == table && table.keyColumns().contains(column.name())) {
            return Optional.empty();
        }
        Column key = parent.get().column(parent.get().keyColumns().getFirst()).orElseThrow();
        if (!key.type().equals(column.type())) {
            return Optional.empty();
        }
        reasons.add("both are " + column.type().text());
        boolean indexed = table.indexes().stream().map(TableIndex::columns)
                .anyMatch(columns -> columns.getFirst().name().equals(column.name()));
        if (indexed) {
            reasons.add("it has an index");
        }
        return Optional.of(new Proposal(table.label(), column.name(), parent.get().qualifiedName(), key.name(),
                reasons));
    }

    /** The schema with foreign keys for some proposals. */
    public static Schema accepted(Schema schema, List<Proposal> proposals) {
        Map<String, List<ForeignKey>> more = new HashMap<>();
        proposals.forEach(proposal -> more.computeIfAbsent(proposal.table(), any -> new ArrayList<>())
                .add(ForeignKey.of("", List.of(proposal.column()), proposal.referencedTable(),
                        List.of(proposal.referencedColumn()))));
        return schema.over(schema.tables().stream().map(table -> {
            List<ForeignKey> keys = new ArrayList<>(table.foreignKeys());
            keys.addAll(more.getOrDefault(table.label(), List.of()));
            return table.referring(keys);
        }).toList());
    }
}
