package entaxis.core.review.carried;

import entaxis.core.design.OpaqueObject;
import entaxis.core.design.OpaqueProgram;
import entaxis.core.design.ProgramKind;
import entaxis.core.review.About;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.Reviewed;
import entaxis.core.review.Rule;
import entaxis.core.review.RuleInfo;
import entaxis.core.schema.Table;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;

/** A view that names a table or column which is not there. */
public final class NameGone implements Rule {
    private static final RuleInfo INFO =
            new RuleInfo("name-gone", Family.CARRIED, Level.CAUTION, Basis.MANUAL, "name that is gone",
            "A view over something that is not there is refused when it is made, or fails at its first use.",
            "ISO/IEC 9075-2, 11.32 and 7.6: each table that a view names is to exist");

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
        for (OpaqueObject carried : of.design().carried()) {
            // routines make tables of their own and use variables, which only an engine can tell apart
            if (carried instanceof OpaqueProgram program && program.kind() == ProgramKind.VIEW) {
                ViewNames names = ViewNames.of(program.text());
                List<About> about = List.of(new About(About.Kind.VIEW, program.id().value(), program.name()));
                names.tables().values().stream().distinct()
                        .filter(name -> !tables.containsKey(name) && !others.contains(name))
                        .forEach(name -> found.accept(INFO.found(about,
                                "The view “" + program.name() + "” reads “" + name + "”, which is not there.",
                                List.of(), List.of())));
                names.columns().stream()
                        .filter(column -> tables.containsKey(names.tables().getOrDefault(column.table(), "")))
                        .filter(column -> tables.get(names.tables().get(column.table())).columns().stream()
                                .noneMatch(own -> own.name().equalsIgnoreCase(column.name())))
                        .forEach(column -> found.accept(INFO.found(about,
                                "The view “" + program.name() + "” reads “" + column.name() + "” of “"
                                        + names.tables().get(column.table()) + "”, which has no such column.",
                                List.of(), List.of())));
            }
        }
    }
}
