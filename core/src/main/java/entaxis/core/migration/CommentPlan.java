package entaxis.core.migration;

import entaxis.core.reconcile.EngineWordingRules;
import entaxis.core.schema.Column;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.TableFeatures.Comments;
import entaxis.core.type.SqlType;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The steps that say what tables and columns are. */
final class CommentPlan {
    private final Schema from;
    private final Schema to;
    private final Dialect dialect;
    private final EngineWordingRules words;
    private final Alterations engine;
    private final Map<String, TableChange> changes;

    CommentPlan(Schema from, Schema to, EngineWordingRules words, Alterations engine,
            Map<String, TableChange> changes) {
        this.from = from;
        this.to = to;
        this.dialect = words.dialect();
        this.words = words;
        this.engine = engine;
        this.changes = changes;
    }

    private static void say(List<Step> steps, Table table, String what, List<String> statements) {
        if (!statements.isEmpty()) {
            steps.add(Step.safe(Stage.COMMENTS, table.label(), what, statements));
        }
    }

    /** What a step does. */
    static String comment(String comment, String object) {
        return comment.isEmpty() ? "Remove the comment on " + object : "Comment on " + object;
    }

    /** Whether a column gets the comment of its domain whenever the table is copied. */
    private boolean handedDown(Column column) {
        return dialect.columnsShowTypeComments() && column.type() instanceof SqlType.UserType used
                && from.types().stream().anyMatch(type -> type.type().equals(used) && !type.comment().isEmpty());
    }

    /** Adds the steps; linear in the columns. */
    void steps(List<Step> steps) {
        if (!words.commented()) {
            return;
        }
        for (Table table : to.tables()) {
            TableChange change = changes.get(words.folded(table.label()));
            boolean inside = dialect.comments() == Comments.INSIDE;
            boolean created = change == null || change.rebuilt;
            if (created && inside) {
                continue;
            }
            if (!table.comment().equals(created ? "" : change.before.comment())) {
                say(steps, table, comment(table.comment(), "the table " + table.label()),
                        engine.tableComment(table));
            }
            for (Column column : table.columns()) {
                Optional<Column> before = created || change.dropped().contains(column.name()) ? Optional.empty()
                        : change.before.column(column.name());
                boolean covered = inside && (before.isEmpty()
                        || change.altered.stream().anyMatch(pair -> pair.to().name().equals(column.name())));
                boolean handed = (change == null || change.touchesColumns())
                        && (handedDown(column) || before.map(this::handedDown).orElse(false));
                if (!covered && (handed || !column.comment().equals(before.map(Column::comment).orElse("")))) {
                    say(steps, table, comment(column.comment(),
                            "the column " + table.label() + "." + column.name()),
                            engine.columnComment(table, column, before.map(Column::comment).orElse("").isEmpty()));
                }
            }
        }
    }
}
