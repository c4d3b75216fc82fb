package entaxis.core.migration;

import entaxis.core.reconcile.CatalogWording;
import entaxis.core.reconcile.Matching.Pair;
import entaxis.core.reconcile.Matching;
import entaxis.core.reconcile.ProgramKeys;
import entaxis.core.reconcile.ProgramParts;
import entaxis.core.schema.Grant;
import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.Schema;
import entaxis.core.sql.CalledFunctions;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.sql.GrantWriter;
import entaxis.core.sql.ProgramWriter;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.token.SqlText;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** The steps on views, routines and triggers, which are taken away and made again where tables change under them. */
final class ProgramPlan {
    private final Schema from;
    private final Schema to;
    private final Dialect dialect;
    private final Alterations engine;
    private final ProgramKeys keys;
    private final ProgramWriter writer;
    private final GrantWriter grants;

    /** A plan; the first schema has the new names already. */
    ProgramPlan(Schema from, Schema to, Dialect dialect, Alterations engine) {
        this.from = from;
        this.to = to;
        this.dialect = dialect;
        this.engine = engine;
        this.keys = new ProgramKeys(from, to, dialect);
        this.writer = new ProgramWriter(dialect, ScriptOptions.DEFAULT);
        this.grants = new GrantWriter(dialect, ScriptOptions.DEFAULT);
    }

    /**
     * Adds the steps. They drop programs that change or block a change first, and create them again at the end. They
     * create a function that tables call before these tables, and drop it after them.
     *
     * @param tables names in small letters of tables that change
     */
    void steps(Set<String> tables, List<Step> steps) {
        Set<String> touched = new HashSet<>(tables);
        Matching<Program> pairs = Matching.of(from.programs(), to.programs(), keys::textKey, program -> "");
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
        Set<Program> calledBefore = new CalledFunctions(from).programs();
        Set<Program> calledNow = new CalledFunctions(to).programs();
        from.programs().reversed().stream().filter(out::contains)
                .forEach(program -> steps.add(Step.safe(
                        calledBefore.contains(program) && keys.find(to.programs(), program).isEmpty() ? Stage.TYPES_OUT
                                : Stage.PROGRAMS_OUT,
                        "", "Take the " + program.kind().word() + " " + program.name() + " away",
                        List.of(writer.drop(program)))));
        to.programs().stream().filter(in::contains)
                .forEach(program -> steps.add(Step.safe(
                        calledNow.contains(program) ? Stage.TYPES : Stage.PROGRAMS, "",
                        "Create the " + program.kind().word() + " " + program.name(),
                        created(program, calledNow.contains(program)))));
        pairs.pairs().stream().filter(pair -> !out.contains(pair.from()))
                .forEach(pair -> said(pair.from(), pair.to(), steps));
    }

    /** A program with its comments and with those who may use it, who stay the same where nothing else is wanted. */
    private List<String> created(Program program, boolean early) {
        Optional<List<Grant>> before = keys.find(from.programs(), program).flatMap(Program::grants);
        List<String> statements = new ArrayList<>();
        if (early) {
            dialect.lateBodies().ifPresent(statements::add);
        }
        statements.add(program.text());
        statements.addAll(writer.comments(program, List.of()));
        statements.addAll(grants.program(program.withGrants(program.grants().or(() -> before)), Optional.empty()));
        return statements;
    }

    /** What is said about a program that stays. */
    private void said(Program before, Program now, List<Step> steps) {
        List<String> statements = new ArrayList<>(writer.comments(now, before.comments()));
        if (before.grants().isPresent()) {
            statements.addAll(grants.program(now, before.grants()));
        }
        if (!statements.isEmpty()) {
            steps.add(Step.safe(Stage.COMMENTS, "",
                    "Comment on the " + now.kind().word() + " " + now.name() + ", and say who may use it", statements));
        }
    }

    /** Gives routines of which only the body changes another one in their place, since triggers may hang on them. */
    private void replaceRoutines(Set<Program> out, Set<Program> in, List<Step> steps) {
        for (Program program : List.copyOf(in)) {
            Optional<Program> before = out.stream()
                    .filter(own -> engine.replacesRoutines() && program.kind() == ProgramKind.FUNCTION
                            && keys.key(own).equals(keys.key(program)) && head(own).equals(head(program)))
                    .findFirst();
            before.ifPresent(own -> {
                out.remove(own);
                in.remove(program);
                steps.add(Step.safe(Stage.PROGRAMS, "",
                        "Change the " + program.kind().word() + " " + program.name(),
                        List.of(replacing(program.text()))));
                said(own, program, steps);
            });
        }
    }

    private static String replacing(String statement) {
        SqlText beginning = SqlText.beginning(statement, 4);
        return "CREATE OR REPLACE " + beginning.from(beginning.is(0, "create", "or", "replace") ? 3 : 1);
    }

    private static String head(Program program) {
        return ProgramParts.withoutBlanks(CatalogWording.of(program.target()).parts(program).head())
                .toLowerCase(Locale.ROOT).replace("create or replace", "create");
    }

    private boolean binds(Program program, Set<String> touched) {
        boolean trigger = program.kind() == ProgramKind.TRIGGER && engine.triggersBind();
        return (trigger
                || engine.viewsBind() && (program.kind() == ProgramKind.VIEW || program.kind() == ProgramKind.RULE))
                && IsoNormalizer.namesOfProgram(program.text(), dialect).stream().anyMatch(touched::contains);
    }
}
