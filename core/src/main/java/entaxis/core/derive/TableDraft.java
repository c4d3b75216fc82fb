package entaxis.core.derive;

import entaxis.core.design.KeyPart;
import entaxis.core.schema.Column;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

/**
 * A table that is being built: key columns first, then the others, each found by the part of the design that it
 * stands for.
 */
final class TableDraft {
    private final List<DerivedColumn> key = new ArrayList<>();
    private final List<DerivedColumn> others = new ArrayList<>();
    private final Map<KeyPart, List<DerivedColumn>> byPart = new HashMap<>();
    private final Set<String> names = new HashSet<>();

    /** Takes a column name that is still free, made of the wanted one. */
    String claim(String wanted) {
        return claim(List.of(wanted));
    }

    /** Takes the first of some column names that is still free; if all are taken, one made of the first. */
    String claim(List<String> wanted) {
        return wanted.stream().filter(name -> !names.contains(name)).findFirst()
                .map(name -> ProposedNames.free(name, names))
                .orElseGet(() -> ProposedNames.free(wanted.getFirst(), names));
    }

    void addKey(KeyPart part, List<DerivedColumn> columns) {
        key.addAll(columns);
        byPart.computeIfAbsent(part, any -> new ArrayList<>()).addAll(columns);
    }

    void add(KeyPart part, List<DerivedColumn> columns) {
        others.addAll(columns);
        byPart.computeIfAbsent(part, any -> new ArrayList<>()).addAll(columns);
    }

    List<DerivedColumn> columns(KeyPart part) {
        return byPart.getOrDefault(part, List.of());
    }

    /** The names of a part's columns. */
    List<String> names(KeyPart part) {
        return columns(part).stream().map(DerivedColumn::name).toList();
    }

    List<DerivedColumn> keyColumns() {
        return key;
    }

    List<String> key() {
        return key.stream().map(DerivedColumn::name).toList();
    }

    /** All columns without what they come from. */
    List<Column> columns() {
        return Stream.concat(key.stream(), others.stream()).map(DerivedColumn::column).toList();
    }

    List<DerivedColumn> all() {
        List<DerivedColumn> all = new ArrayList<>(key);
        all.addAll(others);
        return all;
    }
}
