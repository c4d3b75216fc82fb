package entaxis.core.migration;

import entaxis.core.design.ProgramKind;
import entaxis.core.reconcile.CatalogWording;
import entaxis.core.reconcile.Matching.Pair;
import entaxis.core.reconcile.Matching;
import entaxis.core.reconcile.TableNames;
import entaxis.core.schema.Program;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The steps on views, routines and triggers, which are taken away and made again where tables change under them. */
final class ProgramPlan {
    private final Schema from;
    private final Schema to;
    private final Dialect dialect;
    private final Alterations engine;

    /** A plan; the first schema has the new names already. */
    ProgramPlan(Schema from, Schema to, Dialect dialect, Alterations engine) {
        this.from = from;
        this.to = to;
        this.dialect = dialect;
        this.engine = engine;
    }

    /**
     * The steps: what changes or stands in the way goes first, and comes back when all else is done.
     *
     * @param tables names in small letters of tables that change
     */
    void steps(Set<String> tables, List<Step> steps) {
        Set<String> touched = new HashSet<>(tables);
        Matching<Program> pairs = Matching.of(from.programs(), to.programs(),
                program -> key(program) + program.text().replaceAll("\\s+", " "), program -> "");
        Set<Program> out = new LinkedHashSet<>(pairs.gone());
        Set<Program> in = new HashSet<>(pairs.fresh());
        boolean more = true;
        while (more) {
            more = false;
            for (Pair<Program> pair : pairs.pairs()) {
                boolean bound = binds(pair.from(), touched);
                if (bound && out.add(pair.from())) {
                    in.add(pair.to());
                    touched.add(pair.from().name().toLowerCase(Locale.ROOT));
                    more = true;
                }
            }
        }
        out.forEach(program -> touched.add(program.name().toLowerCase(Locale.ROOT)));
        replaceRoutines(out, in, steps);
        from.programs().reversed().stream().filter(out::contains)
                .forEach(program -> steps.add(Step.safe(Stage.PROGRAMS_OUT, "",
                        "Take the " + program.kind().word() + " " + program.name() + " away",
                List.of(dropProgram(program)))));
        to.programs().stream().filter(in::contains).forEach(program -> steps.add(Step.safe(Stage.PROGRAMS, "",
                "Create the " + program.kind().word() + " " + program.name(), List.of(program.text()))));
    }

    /** Gives routines of which only the body changes another one in their place, since triggers may hang on them. */
    private void replaceRoutines(Set<Program> out, Set<Program> in, List<Step> steps) {
        for (Program program : List.copyOf(in)) {
            Optional<Program> before = out.stream()
                    .filter(own -> engine.replacesRoutines() && program.kind() == ProgramKind.FUNCTION
                            && key(own).equals(key(program)) && head(own).equals(head(program)))
                    .findFirst();
            before.ifPresent(own -> {
                out.remove(own);
                in.remove(program);
                steps.add(Step.safe(Stage.PROGRAMS, "",
                        "Change the " + program.kind().word() + " " + program.name(),
                        List.of(program.text().replaceFirst("(?i)^\\s*create\\s+(or\\s+replace\\s+)?",
                                "CREATE OR REPLACE "))));
            });
        }
    }

    private static String head(Program program) {
        return CatalogWording.of(program.target()).parts(program).head().replaceAll("\\s+", " ")
                .toLowerCase(Locale.ROOT).replace("create or replace", "create").strip();
    }

    private static String key(Program program) {
        return program.kind() + TableNames.of(program.namespace(), program.name());
    }

    private boolean binds(Program program, Set<String> touched) {
        boolean trigger = program.kind() == ProgramKind.TRIGGER && engine.triggersBind();
        return (trigger
                || engine.viewsBind() && (program.kind() == ProgramKind.VIEW || program.kind() == ProgramKind.RULE))
                && TableChange.speaksOf(program.text(), touched, dialect);
    }

    private String dropProgram(Program program) {
        String name = engine.writer.qualified(program.namespace(), program.name());
        boolean materialized = program.text().toLowerCase(Locale.ROOT).contains("materialized view");
        boolean onTable =
                engine.dropsTriggerOnTable()
                        && (program.kind() == ProgramKind.TRIGGER || program.kind() == ProgramKind.RULE);
        String place = "";
        if (onTable) {
            Matcher on = Pattern
                    .compile("\\s(?:on|to)\\s+([\\w.\"]+)", Pattern.CASE_INSENSITIVE)
                    .matcher(program.text());
            place = on.find() ? " ON " + on.group(1) : "";
        }
        return "DROP " + (materialized ? "MATERIALIZED " : "") + program.kind().word().toUpperCase(Locale.ROOT) + " "
                + name + place;
    }
}
