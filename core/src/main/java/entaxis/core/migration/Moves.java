package entaxis.core.migration;

import entaxis.core.reconcile.Risk;
import entaxis.core.reconcile.Split;
import entaxis.core.schema.Column;
import entaxis.core.schema.Table;
import entaxis.core.type.SqlType.UserType;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Values that are carried over into a new table before their columns go. */
record Moves(Split split, TableChange change, Table into) {

    /**
     * The step.
     *
     * @param replaced types that are recreated; a column that exists already still has the old one
     */
    Step step(Alterations engine, Set<UserType> replaced) {
        List<String> targets = new ArrayList<>();
        List<String> sources = new ArrayList<>();
        for (Column column : into.columns()) {
            Optional.ofNullable(split.columns().get(column.name())).ifPresent(source -> {
                targets.add(engine.name(column.name()));
                boolean old = column.type() instanceof UserType type && replaced.contains(type);
                String name = change.aside().isPresent() ? before(engine, source) : engine.name(source);
                sources.add(old ? engine.ofNewType(name, column) : name);
            });
        }
        boolean once = !split.once().isEmpty();
        String given = split.once().stream().map(split.columns()::get)
                .map(name -> change.aside().isPresent() ? before(engine, name) : engine.name(name))
                .map(name -> name + " IS NOT NULL")
                .collect(Collectors.joining(" AND "));
        Table rows = change.aside().orElse(change.after);
        String insert = "INSERT INTO " + engine.writer.name(into) + " (" + String.join(", ", targets) + ")\nSELECT "
                + (once ? "DISTINCT " : "") + String.join(", ", sources)
                + "\nFROM " + engine.writer.name(rows) + (once ? "\nWHERE " + given : "");
        List<Question> questions = new ArrayList<>();
        if (once) {
            questions.add(new Question(contradictions(engine), false));
        }
        missing(engine).ifPresent(query -> questions.add(new Question(query, false)));
        boolean ruled = !questions.isEmpty() || !into.checks().isEmpty() || !into.uniqueKeys().isEmpty();
        return new Step(Stage.MOVES, into.label(), ruled ? Risk.MAY_FAIL : Risk.SLOW,
                "Carry " + String.join(", ", split.moved()) + " of " + change.name() + " over into "
                        + into.label()
                        + (once ? ", each " + String.join(", ", split.once()) + " once" : ""),
                List.of(insert), questions, "Reads the whole table.", false);
    }

    /**
     * How many keys have more than one set of values, so that they cannot become one row. Names are those before the
     * script.
     */
    private String contradictions(Alterations engine) {
        List<String> keys = split.once().stream().map(name -> before(engine, split.columns().get(name))).toList();
        List<String> all = new ArrayList<>(keys);
        split.columns().values().stream().map(name -> before(engine, name)).filter(name -> !all.contains(name)).sorted()
                .forEach(all::add);
        return "SELECT count(*) FROM (SELECT " + String.join(", ", keys) + " FROM (SELECT DISTINCT "
                + String.join(", ", all) + " FROM " + engine.writer.name(change.original) + ") pieces WHERE "
                + keys.stream().map(key -> key + " IS NOT NULL").collect(Collectors.joining(" AND ")) + " GROUP BY "
                + String.join(", ", keys) + " HAVING count(*) > 1) same";
    }

    /** How many rows lack a value that the new table requires. */
    private Optional<String> missing(Alterations engine) {
        List<String> lacking = new ArrayList<>();
        for (Map.Entry<String, String> column : split.columns().entrySet()) {
            boolean required =
                    into.column(column.getKey()).map(own -> own.required() || into.keyColumns().contains(own.name()))
                            .orElse(false) && !split.once().contains(column.getKey());
            if (required && change.before.column(column.getValue()).map(own -> !own.required()).orElse(false)) {
                lacking.add(before(engine, column.getValue()) + " IS NULL");
            }
        }
        return lacking.isEmpty() ? Optional.empty()
                : Optional.of("SELECT count(*) FROM " + engine.writer.name(change.original) + " WHERE "
                        + lacking.stream().sorted().collect(Collectors.joining(" OR ")));
    }

    private String before(Alterations engine, String name) {
        return engine.name(change.oldNames().getOrDefault(name, name));
    }
}
