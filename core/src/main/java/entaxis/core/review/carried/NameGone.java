package entaxis.core.review.carried;

import entaxis.core.design.OpaqueObject;
import entaxis.core.design.OpaqueProgram;
import entaxis.core.expression.ViewQuery;
import entaxis.core.review.About;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.Reviewed;
import entaxis.core.review.Rule;
import entaxis.core.review.RuleInfo;
import entaxis.core.schema.ProgramHead.TriggerHead;
import entaxis.core.schema.ProgramHead;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.Table;
import entaxis.core.syntax.ScriptSyntax;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;

/** A view, trigger or rule that names a table or column which is not there. */
public final class NameGone implements Rule {
    private static final RuleInfo INFO =
            new RuleInfo("name-gone", Family.CARRIED, Level.CAUTION, Basis.MANUAL, "name that is gone",
            "A view or trigger on something that is not there is refused when it is made, or fails at its first use.",
            "ISO/IEC 9075-2, 11.32, 11.49 and 7.6: each table that a view or trigger names is to exist");

    /**
     * What there is to be named, in small letters.
     *
     * @param tables the tables of the design by their names
     * @param others what is carried: views, routines and so on
     */
    private record Names(Map<String, Table> tables, Set<String> others) {
        boolean gone(String name) {
            return !tables.containsKey(name) && !others.contains(name);
        }

        /** Whether a table that is there has no such column. */
        boolean columnGone(String table, String column) {
            return tables.containsKey(table)
                    && tables.get(table).columns().stream().noneMatch(own -> own.name().equalsIgnoreCase(column));
        }
    }

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Reviewed of, Consumer<Finding> found) {
        if (of.design().carried().size() == 0) {
            return;
        }
        Map<String, Table> tables = new HashMap<>();
        of.derivation().stated().schema().tables()
                .forEach(table -> tables.put(table.name().toLowerCase(Locale.ROOT), table));
        Set<String> others = new HashSet<>();
        of.design().carried().forEach(one -> others.add(one.name().toLowerCase(Locale.ROOT)));
        Names names = new Names(tables, others);
        for (OpaqueObject carried : of.design().carried()) {
            if (carried instanceof OpaqueProgram program) {
                judge(program, names, found);
            }
        }
    }

    private static void judge(OpaqueProgram program, Names names, Consumer<Finding> found) {
        boolean view = program.kind() == ProgramKind.VIEW;
        About about = new About(view ? About.Kind.VIEW : About.Kind.ROUTINE, program.id().value(), program.name());
        Consumer<String> say = words -> found.accept(INFO.found(List.of(about),
                "The " + program.kind().word() + " “" + program.name() + "” " + words, List.of(), List.of()));
        // routines make tables of their own and use variables, which only an engine can tell apart
        if (view) {
            ScriptSyntax.of(program.target()).query(program.kind(), program.text())
                    .ifPresent(query -> view(query, names, say));
        } else {
            trigger(ProgramHead.of(program.kind(), program.text(), UnaryOperator.identity()), names, say);
        }
    }

    /** Tables without a schema before them, and columns that are named with one of them; others may be elsewhere. */
    private static void view(ViewQuery view, Names names, Consumer<String> say) {
        view.tables().stream().filter(table -> !table.qualified() && names.gone(table.name()))
                .forEach(table -> say.accept("reads “" + table.name() + "”, which is not there."));
        view.columns().stream().filter(column -> !column.table().qualified()
                && names.columnGone(column.table().name(), column.name()))
                .forEach(column -> say.accept("reads “" + column.name() + "” of “" + column.table().name()
                        + "”, which has no such column."));
    }

    /** The table that a trigger or rule belongs to, and the columns at whose updates a trigger fires. */
    private static void trigger(ProgramHead head, Names names, Consumer<String> say) {
        Optional<String> table = head.belongsTo().map(name -> name.name().toLowerCase(Locale.ROOT));
        table.filter(names::gone).ifPresent(name -> say.accept("belongs to “" + name + "”, which is not there."));
        if (head instanceof TriggerHead trigger) {
            trigger.columns().stream().filter(column -> names.columnGone(table.orElseThrow(), column))
                    .forEach(column -> say.accept("fires at updates of “" + column + "” of “" + table.get()
                            + "”, which has no such column."));
        }
    }
}
