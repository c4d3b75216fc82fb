package entaxis.core.reconcile;

import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;

import java.util.EnumSet;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What the views, routines and triggers of two schemas are known by: routines may share a name. */
public final class ProgramKeys {
    private final Dialect dialect;
    private final EngineWordingRules words;
    private final Map<String, Integer> shared = new HashMap<>();
    /** What was worked out already: each program is asked for several times, and its text is long. */
    private final Map<Program, String> known = new IdentityHashMap<>();
    private final Map<Program, String> texts = new IdentityHashMap<>();
    /** The kinds that there are of a name. */
    private final Map<String, Set<ProgramKind>> kinds = new HashMap<>();

    /** The keys for two schemas that one engine holds; linear in their programs. */
    public ProgramKeys(Schema from, Schema to, Dialect dialect) {
        this.dialect = dialect;
        this.words = new EngineWordingRules(dialect);
        for (List<Program> programs : List.of(from.programs(), to.programs())) {
            Map<String, Integer> here = new HashMap<>();
            programs.forEach(program -> here.merge(named(program), 1, Integer::sum));
            here.forEach((name, count) -> shared.merge(name, count, Math::max));
            programs.forEach(program -> kinds
                    .computeIfAbsent(placed(program), any -> EnumSet.noneOf(ProgramKind.class)).add(program.kind()));
        }
    }

    private String named(Program program) {
        return program.kind() + " " + placed(program);
    }

    private String placed(Program program) {
        return words.folded(program.qualifiedName().label());
    }

    /** What tells a program from those of its kind and name; empty where nothing does. */
    private String apart(Program program) {
        return switch (program.kind()) {
            case FUNCTION, PROCEDURE -> dialect.routineSignature(program.head(dialect::unquoted).routineParameters())
                    .map(types -> "(" + types + ")").orElse("");
            case TRIGGER, RULE -> dialect.triggersWithinTable() ? " on " + table(program) : "";
            case VIEW, PACKAGE -> "";
        };
    }

    private String table(Program program) {
        return program.head(dialect::unquoted).belongsTo().map(table -> words.folded(table.name())).orElse("");
    }

    /** What a program is known by. */
    public String key(Program program) {
        return known.computeIfAbsent(program, own -> named(own) + apart(own));
    }

    /** The same with its text, blanks aside. */
    public String textKey(Program program) {
        return texts.computeIfAbsent(program, own -> key(own) + "\n" + Comparison.text(own));
    }

    /** What it is called where it is spoken of: by its name, and by what tells it from others that have it too. */
    public String label(Program program) {
        boolean alone = kinds.getOrDefault(placed(program), Set.of()).size() < 2;
        String name = (alone ? "" : program.kind().word() + " ")
                + program.qualifiedName().label();
        return shared.getOrDefault(named(program), 1) > 1 ? name + apart(program) : name;
    }

    /** The name in what {@link #label} gives. */
    public static String nameIn(String label) {
        String name = label;
        for (ProgramKind kind : ProgramKind.values()) {
            name = name.startsWith(kind.word() + " ") ? name.substring(kind.word().length() + 1) : name;
        }
        int end = name.indexOf('(') > 0 ? name.indexOf('(') : name.indexOf(" on ");
        return end > 0 ? name.substring(0, end) : name;
    }

    /**
     * The pairs of both schemas: those of one text first, then those that are known by the same, then the only ones of
     * a name.
     */
    Matching<Program> pairs(Schema from, Schema to) {
        Matching<Program> known = Matching.of(from.programs(), to.programs(), this::textKey, this::key);
        return known.with(Matching.of(known.gone(), known.fresh(), program -> "",
                program -> shared.getOrDefault(named(program), 1) > 1 ? "" : named(program)));
    }

    /** The program of a schema that is known by the same as another one. */
    public Optional<Program> find(List<Program> programs, Program wanted) {
        String key = key(wanted);
        return programs.stream().filter(own -> own.kind() == wanted.kind() && key(own).equals(key)).findFirst();
    }
}
