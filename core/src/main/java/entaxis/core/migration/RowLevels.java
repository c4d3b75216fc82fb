package entaxis.core.migration;

import entaxis.core.reconcile.Risk;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Copies the rows of a table that refer to rows of the same table level by level: first those that refer to none, then
 * those whose rows are there, and at last all that are left, which the engine refuses if their rows are not there.
 */
final class RowLevels {
    /** How many levels of rows are copied. */
    static final int LEVELS = 10;

    private final TableChange change;
    private final List<ForeignKey> references;
    private final Table aside;
    private final Alterations engine;
    private final Map<String, String> oldNames;

    private RowLevels(TableChange change, List<ForeignKey> references, Table aside, Alterations engine) {
        this.change = change;
        this.references = references;
        this.aside = aside;
        this.engine = engine;
        this.oldNames = change.oldNames();
    }

    /** For a table that is made again and refers to itself by columns that were there; empty for others. */
    static Optional<RowLevels> of(TableChange change, Table aside, Alterations engine) {
        List<ForeignKey> own = change.after.foreignKeys().stream()
                .filter(key -> engine.dialect.compared(key.referencedTable())
                        .equals(engine.dialect.compared(change.after.name()))
                        && key.referenced().namespace().equals(change.after.namespace())
                        && !key.referencedColumns().isEmpty()
                        && key.columns().stream().allMatch(name -> change.before.column(name).isPresent())
                        && key.referencedColumns().stream().allMatch(name -> change.before.column(name).isPresent()))
                .toList();
        return own.isEmpty() ? Optional.empty() : Optional.of(new RowLevels(change, own, aside, engine));
    }

    /** The statements, made of the one that copies all rows. */
    List<String> inserts(String all) {
        List<String> inserts = new ArrayList<>();
        String known = known();
        inserts.add(all + "\nWHERE " + references.stream().map(this::refersToNone)
                .collect(Collectors.joining("\n  AND ")) + known);
        String left = "NOT " + there(references.getFirst().referencedColumns(), references.getFirst());
        String ready = references.stream()
                .map(key -> "(" + refersToNone(key) + " OR " + there(key.columns(), key) + ")")
                .collect(Collectors.joining("\n  AND "));
        for (int level = 1; level < LEVELS - 1; level++) {
            inserts.add(all + "\nWHERE " + left + "\n  AND " + ready + known);
        }
        inserts.add(all + "\nWHERE " + left);
        return inserts;
    }

    /**
     * That a row can be told from others by what is referred to: one without a value there cannot be found again, so
     * that it is copied only once, by the last statement. No row refers to it.
     */
    private String known() {
        return references.getFirst().referencedColumns().stream()
                .filter(name -> change.before.column(name).map(column -> !column.required()).orElse(true))
                .map(name -> "\n  AND " + old(name) + " IS NOT NULL").collect(Collectors.joining());
    }

    private String refersToNone(ForeignKey key) {
        String none = key.columns().stream().map(name -> old(name) + " IS NULL").collect(Collectors.joining(" OR "));
        return key.columns().size() > 1 ? "(" + none + ")" : none;
    }

    /** Whether the row that some columns of a copied row name is in the table. */
    private String there(List<String> columns, ForeignKey key) {
        return "EXISTS (SELECT 1 FROM " + engine.writer.name(change.after) + " kept WHERE "
                + IntStream.range(0, columns.size())
                        .mapToObj(i -> "kept." + engine.name(key.referencedColumns().get(i)) + " = "
                                + engine.writer.name(aside) + "." + old(columns.get(i)))
                        .collect(Collectors.joining(" AND ")) + ")";
    }

    private String old(String name) {
        return engine.name(oldNames.getOrDefault(name, name));
    }

    /** The step with the question how many rows lie too deep. */
    Step asking(Step step) {
        List<Question> questions = new ArrayList<>(step.questions());
        references.forEach(key -> questions.add(new Question(tooDeep(key), false)));
        return new Step(step.stage(), step.table(), step.risk().or(Risk.MAY_FAIL), step.what(), step.statements(),
                questions, step.advice(), step.wayBack());
    }

    /** How many rows have so many others above them that they are not copied in their turn. */
    private String tooDeep(ForeignKey key) {
        String table = engine.writer.name(change.original);
        StringBuilder query = new StringBuilder("SELECT count(*) FROM " + table + " r0");
        for (int level = 1; level <= LEVELS; level++) {
            String above = "r" + level;
            String below = "r" + (level - 1);
            query.append(" JOIN ").append(table).append(' ').append(above).append(" ON ")
                    .append(IntStream.range(0, key.columns().size())
                            .mapToObj(i -> below + "." + old(key.columns().get(i)) + " = " + above + "."
                                    + old(key.referencedColumns().get(i)))
                            .collect(Collectors.joining(" AND ")));
        }
        return query.toString();
    }
}
