package entaxis.core.migration;

import entaxis.core.expression.Expression;
import entaxis.core.reconcile.Conversion;
import entaxis.core.reconcile.EngineWordingRules;
import entaxis.core.reconcile.Matching.Pair;
import entaxis.core.reconcile.Risk;
import entaxis.core.schema.Column;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Table;
import entaxis.core.type.SqlType.CharacterType;
import entaxis.core.type.SqlType.DecimalType;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/** The steps on the columns of one table: add, fill, require; change in place; replace; drop. */
final class ColumnPlan {
    private final TableChange change;
    private final EngineWordingRules words;
    private final Alterations engine;
    private final Fills fills;
    private final Table table;
    private final Questions questions;
    private final CopyNames copies;
    private final Set<String> moved;

    /** A plan; the values of the columns that moved stand elsewhere when they go. */
    ColumnPlan(TableChange change, EngineWordingRules words, Alterations engine, Fills fills, Questions questions,
            CopyNames copies, Set<String> moved) {
        this.copies = copies;
        this.moved = moved;
        this.change = change;
        this.words = words;
        this.engine = engine;
        this.fills = fills;
        this.table = change.after;
        this.questions = questions;
    }

    private boolean losesValues(Column column) {
        return column.generated().isEmpty() && !moved.contains(column.name());
    }

    private static boolean asksForValue(Column column) {
        return column.required() && column.defaultValue().isEmpty() && column.generated().isEmpty()
                && column.identity() == Identity.NONE;
    }

    private Step step(Stage stage, Risk risk, String what, List<String> statements, Optional<String> query,
            String advice, boolean wayBack) {
        return Step.of(stage, change.name(), risk, what, statements, query, advice, wayBack);
    }

    void steps(List<Step> steps) {
        if (change.aside().isPresent()) {
            return;
        }
        if (change.rebuilt) {
            boolean whole = !words.dialect().addsForeignKeys();
            steps.add(again(Stage.COLUMNS, "Rebuild " + change.name() + " and copy its rows", whole,
                    "The table is locked while its rows are copied.", copied -> copying(copied, whole)));
            return;
        }
        Stage early = engine.oneStatement() ? Stage.TABLES : Stage.COLUMNS;
        List<Step> later = new ArrayList<>();
        for (Pair<Column> pair : change.replaced) {
            boolean computed = pair.from().generated().isPresent();
            steps.add(step(Stage.COLUMNS, computed ? Risk.SLOW : Risk.LOSES_DATA,
                    computed ? "Take the computed column " + pair.to().name() + " off " + change.name()
                            : "Drop " + change.name() + "." + pair.to().name() + ", whose values cannot be turned into "
                                    + words.type(pair.to().type()),
                    engine.dropColumn(table, pair.from()),
                    computed ? Optional.empty() : Optional.of(given(pair.from())), "", computed));
        }
        Set<String> there = new HashSet<>();
        change.before.columns().stream().filter(column -> !change.dropped().contains(column.name()))
                .forEach(column -> there.add(column.name()));
        List<Column> added = new ArrayList<>(change.fresh);
        change.replaced.forEach(pair -> added.add(pair.to()));
        String behind = "";
        for (Column column : table.columns()) {
            if (added.contains(column)) {
                add(column, Optional.of(behind), early, steps, later);
                there.add(column.name());
            }
            behind = there.contains(column.name()) ? column.name() : behind;
        }
        change.altered.forEach(pair -> alter(pair, early, steps));
        steps.addAll(later);
        if (change.reordered) {
            reorder(steps);
        }
        for (Column column : change.gone) {
            boolean computed = column.generated().isPresent();
            boolean loses = losesValues(column);
            steps.add(step(engine.oneStatement() ? Stage.COLUMNS : Stage.REMOVALS, loses ? Risk.LOSES_DATA : Risk.SAFE,
                    "Drop " + change.name() + "." + column.name()
                            + (loses ? " with its values" : computed ? "" : ", whose values were carried over"),
                    change.keptByHeirs ? engine.dropColumnOnly(table, column) : engine.dropColumn(table, column),
                    loses ? Optional.of(given(column)) : Optional.empty(), "",
                    computed));
        }
    }

    private String old(Column column) {
        return engine.name(change.oldNames().getOrDefault(column.name(), column.name()));
    }

    private String rows() {
        return "SELECT count(*) FROM " + engine.writer.name(change.original);
    }

    private String given(Column column) {
        return rows() + " WHERE " + old(column) + " IS NOT NULL";
    }

    private void add(Column column, Optional<String> behind, Stage early, List<Step> steps, List<Step> later) {
        Optional<Pair<Column>> replaced = change.replaced.stream().filter(pair -> pair.to() == column).findFirst();
        Optional<String> values = fills.of(change.name(), column.name()).or(
                () -> replaced.flatMap(pair -> column.generated().isEmpty() && pair.from().type().equals(column.type())
                        ? pair.from().generated().map(words.dialect()::written) : Optional.empty()));
        String place = change.name() + "." + column.name();
        if (values.isPresent() && column.generated().isEmpty()) {
            Stage stage = replaced.isPresent() ? Stage.COLUMNS : early;
            steps.add(Step.safe(stage, change.name(), "Add " + place,
                    engine.addColumn(table, column.withRequired(false), behind)));
            steps.add(step(stage, Risk.SLOW, "Give the rows that are there a value in " + place,
                    List.of("UPDATE " + engine.writer.name(table) + " SET " + engine.name(column.name()) + " = "
                            + values.get()),
                    Optional.empty(), "On a large table: in parts, each in its own transaction.", true));
            if (column.required()) {
                later.add(step(Stage.COLUMNS, Risk.SLOW, "Require a value in " + place,
                        engine.alterColumn(table, column.withRequired(false), column, false), Optional.empty(), "",
                        true));
            }
            return;
        }
        boolean asks = asksForValue(column);
        String silent = asks && engine.fillsRequiredItself()
                ? "The engine gives the rows that are there 0 or an empty text without asking; name a value instead."
                : asks ? "Fails if there are rows; name a value for them." : "";
        steps.add(step(Stage.COLUMNS, asks ? Risk.MAY_FAIL : column.generated().isPresent() ? Risk.SLOW : Risk.SAFE,
                "Add " + place, engine.addColumn(table, column, behind),
                asks ? Optional.of(rows()) : Optional.empty(), silent, true));
    }

    private void alter(Pair<Column> pair, Stage early, List<Step> steps) {
        Column from = pair.from();
        Column to = pair.to();
        String place = change.name() + "." + to.name();
        boolean retyped = change.retyped.contains(to.name());
        boolean requires = !from.required() && to.required();
        Optional<String> values = requires ? fills.of(change.name(), to.name()) : Optional.empty();
        values.ifPresent(value -> steps.add(step(early, Risk.SLOW, "Give the rows without one a value in " + place,
                List.of("UPDATE " + engine.writer.name(table) + " SET " + engine.name(to.name()) + " = "
                        + value + " WHERE " + engine.name(to.name()) + " IS NULL"),
                Optional.empty(), "On a large table: in parts, each in its own transaction.", true)));
        Risk risk = Risk.SAFE;
        Optional<String> query = Optional.empty();
        String advice = "";
        List<String> said = new ArrayList<>();
        if (retyped) {
            Conversion conversion = questions.conversion(from, to);
            Optional<String> unlisted = questions.unlisted(change, from, to);
            risk = unlisted.isPresent() ? conversion.risk().or(Risk.MAY_FAIL) : conversion.risk();
            query = unlisted.or(() -> stands(from, to, conversion));
            said.add(from.type().equals(to.type()) ? "turn its values into those of the new " + words.type(to.type())
                    : "turn " + words.type(from.type()) + " into " + words.type(to.type()));
            advice = switch (conversion) {
                case WIDENS ->
                        "The table may be written again; on a large one: add a column, copy in parts, exchange the "
                                + "names.";
                case REFUSES -> query.isEmpty() ? "Fails if a value cannot become " + words.type(to.type()) + "." : "";
                default -> "";
            };
        }
        if (requires) {
            risk = risk.or(values.isPresent() ? Risk.SLOW : Risk.MAY_FAIL);
            query = query.or(() -> values.isPresent() ? Optional.empty()
                    : Optional.of(rows() + " WHERE " + old(from) + " IS NULL"));
            said.add("require a value");
        } else if (from.required() != to.required()) {
            said.add("allow no value");
        }
        if (!words.defaultSense(from).equals(words.defaultSense(to))) {
            said.add(to.defaultValue().map(text -> "take " + text + " by default").orElse("take nothing by default"));
        }
        if (!words.identity(from).equals(words.identity(to))) {
            said.add(to.identity() == Identity.NONE ? "number it no longer" : "number it");
        }
        String what =
                (said.isEmpty() ? "Change " : "In ") + place + (said.isEmpty() ? "" : ": " + String.join(", ", said));
        List<String> statements = engine.alterColumn(table, from, to, retyped);
        if (statements.isEmpty()) {
            return;
        }
        steps.add(step(Stage.COLUMNS, risk, what, statements, query, advice, risk != Risk.LOSES_DATA));
    }

    /** The query that tells how many values do not fit a new type, where one can be written. */
    private Optional<String> stands(Column from, Column to, Conversion conversion) {
        String name = old(from);
        if (conversion == Conversion.REFUSES && to.type() instanceof CharacterType(var form, var length)
                && length.isPresent() && from.type() instanceof CharacterType) {
            Expression counted = words.dialect().expression(Expression.of("char_length(" + name + ")"));
            return Optional.of(rows() + " WHERE " + counted + " > "
                    + length.getAsInt());
        }
        if (conversion == Conversion.CUTS && to.type() instanceof DecimalType(var precision, var scale)
                && from.type() instanceof DecimalType) {
            return Optional.of(rows() + " WHERE " + name + " <> round(" + name + ", " + scale.orElse(0) + ")");
        }
        return conversion == Conversion.CUTS ? Optional.of(given(from)) : Optional.empty();
    }

    private void reorder(List<Step> steps) {
        String behind = "";
        List<String> clauses = new ArrayList<>();
        for (Column column : table.columns()) {
            clauses.add(engine.place(table, column, behind));
            behind = column.name();
        }
        String statement = engine.alter(table, "\n    " + String.join(",\n    ", clauses)).replaceFirst(" \n", "\n");
        steps.add(step(Stage.REMOVALS, Risk.SLOW, "Put the columns of " + change.name() + " into order",
                List.of(statement), Optional.empty(), "", true));
    }

    // rebuilding the table

    /** What is copied into the table that is made again, with what may go wrong. */
    private final class Copied {
        private final Map<String, Column> before = new HashMap<>();
        private final List<String> names = new ArrayList<>();
        private final List<String> values = new ArrayList<>();
        private final List<Question> asked = new ArrayList<>();
        private Risk risk = Risk.SLOW;

        Copied() {
            change.before.columns().forEach(column -> before.put(words.folded(column.name()), column));
            table.columns().stream().filter(column -> column.generated().isEmpty()).forEach(this::add);
        }

        /** The statement that copies the rows. */
        String insert(Table into, Table from) {
            return "INSERT INTO " + engine.writer.name(into) + " (" + String.join(", ", names) + ")\nSELECT "
                    + String.join(", ", values) + "\nFROM " + engine.writer.name(from);
        }

        private void add(Column column) {
            Optional<Column> own = Optional.ofNullable(before.get(words.folded(column.name())));
            boolean lost = own.isPresent() && own.get().generated().isEmpty()
                    && change.replaced.stream().anyMatch(pair -> pair.to() == column) && words.dialect().holdsTypes();
            Optional<String> fill = fills.of(change.name(), column.name());
            if (own.isPresent() && !lost) {
                boolean requires = !own.get().required() && column.required();
                risk = risk.or(questions.conversion(own.get(), column).risk());
                String name = change.aside().isPresent() ? old(own.get()) : engine.name(own.get().name());
                String value = engine.converted(name, own.get(), column);
                names.add(engine.name(column.name()));
                values.add(requires && fill.isPresent() ? "coalesce(" + value + ", " + fill.get() + ")" : value);
                if (requires && fill.isEmpty()) {
                    risk = risk.or(Risk.MAY_FAIL);
                    asked.add(new Question(rows() + " WHERE " + old(own.get()) + " IS NULL", false));
                }
            } else if (fill.isPresent()) {
                names.add(engine.name(column.name()));
                values.add(fill.get());
            } else if (asksForValue(column)) {
                risk = risk.or(Risk.MAY_FAIL);
                asked.add(new Question(rows(), false));
            }
            risk = lost ? Risk.LOSES_DATA : risk;
        }
    }

    /** The step that brings the rows back that were set aside while the table was made again. */
    Step bringBack(Table aside) {
        Optional<RowLevels> levels = engine.addsRowsThatReferToEachOther() ? Optional.empty()
                : RowLevels.of(change, aside, engine);
        Step step = again(Stage.MOVES, "Bring the rows of " + change.name() + " back", true,
                "Reads and writes all its rows.", copied -> copied.names.isEmpty() ? List.of()
                        : levels.map(own -> own.inserts(copied.insert(table, aside)))
                        .orElseGet(() -> List.of(copied.insert(table, aside))));
        return levels.map(own -> own.asking(step)).orElse(step);
    }

    private Step again(Stage stage, String what, boolean whole, String advice,
            Function<Copied, List<String>> statements) {
        Copied copied = new Copied();
        boolean loses = change.gone.stream().anyMatch(this::losesValues);
        Risk risk = loses ? Risk.LOSES_DATA : copied.risk;
        List<Question> asked = copied.asked;
        if (whole) {
            ofRules().forEach(sql -> asked.add(new Question(sql, false)));
            risk = asked.isEmpty() ? risk : risk.or(Risk.MAY_FAIL);
        }
        String why = loses ? "; the values of "
                + String.join(", ", change.gone.stream().filter(this::losesValues).map(Column::name).toList())
                + " are not taken along" : "";
        if (loses) {
            asked.add(new Question(rows(), true));
        }
        return new Step(stage, change.name(), risk, what + why, statements.apply(copied), asked, advice,
                !loses && change.gone.stream().noneMatch(column -> moved.contains(column.name()))
                        && risk != Risk.LOSES_DATA);
    }

    private List<String> copying(Copied copied, boolean whole) {
        Table copy = copies.of(table, "_new");
        Table made = whole ? copy : bare(copy);
        List<String> statements = new ArrayList<>();
        statements.add(engine.writer.create(made, whole ? made.foreignKeys() : List.of()));
        boolean numbered = table.columns().stream().anyMatch(
                column -> column.identity() != Identity.NONE
                        && copied.before.containsKey(words.folded(column.name())));
        if (numbered) {
            engine.takeNumbers(made, true).ifPresent(statements::add);
        }
        if (!copied.names.isEmpty()) {
            statements.add(copied.insert(made, table));
        }
        if (numbered) {
            engine.takeNumbers(made, false).ifPresent(statements::add);
        }
        statements.addAll(engine.dropTable(table));
        statements.addAll(engine.renameTable(made, table));
        if (!engine.copiesIntoNumbered()) {
            table.columns().stream().filter(column -> column.identity() == Identity.ALWAYS)
                    .forEach(column -> statements.add(engine.alter(table,
                            "MODIFY (" + engine.name(column.name()) + " " + engine.writer.numbers(column) + ")")));
        }
        return statements;
    }

    /** What tells whether the rows obey the keys, rules and references that the table gets while it is made again. */
    private List<String> ofRules() {
        List<String> queries = new ArrayList<>();
        if (change.keyChanges && table.primaryKey().isPresent()) {
            questions.duplicates(change, table.keyColumns()).ifPresent(queries::add);
        }
        change.uniques.fresh().forEach(key -> questions.duplicates(change, key.columns()).ifPresent(queries::add));
        change.uniques.pairs().stream()
                .filter(pair -> !words.folded(pair.from().columns()).equals(words.folded(pair.to().columns())))
                .forEach(pair -> questions.duplicates(change, pair.to().columns()).ifPresent(queries::add));
        change.checks.fresh().forEach(check -> queries.add(questions.violations(change, check).orElse(rows())));
        change.checks.pairs().stream()
                .filter(pair -> !words.sense(pair.from().condition()).equals(words.sense(pair.to().condition())))
                .forEach(pair -> queries.add(questions.violations(change, pair.to()).orElse(rows())));
        table.foreignKeys().stream()
                .filter(key -> change.before.foreignKeys().stream().noneMatch(
                        own -> words.referenceSense(own, List.of()).equals(words.referenceSense(key, List.of()))))
                .forEach(key -> questions.orphans(change, key).ifPresent(queries::add));
        return queries;
    }

    private Table bare(Table copy) {
        List<Column> columns =
                table.columns().stream()
                        .map(column -> !engine.copiesIntoNumbered() && column.identity() == Identity.ALWAYS
                        ? column.withIdentity(Identity.BY_DEFAULT, column.numbering()) : column).toList();
        return Table.of(copy.qualifiedName()).withColumns(columns);
    }
}
