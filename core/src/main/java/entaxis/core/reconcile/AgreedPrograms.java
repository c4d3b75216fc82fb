package entaxis.core.reconcile;

import entaxis.core.schema.Program;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * How views and routines were worded on both sides when these last agreed: by that a change of either is told, although
 * a live engine never gives back what it was given.
 *
 * @param live   as the engine worded them
 * @param wanted the texts of the other side, by {@link #key}; empty for one that was apart even then
 */
public record AgreedPrograms(List<Program> live, Map<String, String> wanted) {
    /** Nothing was ever agreed. */
    public static final AgreedPrograms NONE = new AgreedPrograms(List.of(), Map.of());

    /** Copies both. */
    public AgreedPrograms {
        live = List.copyOf(live);
        wanted = Map.copyOf(wanted);
    }

    /** What a program is known by. */
    public static String key(Program program, Dialect dialect) {
        return key(program, new EngineWordingRules(dialect));
    }

    private static String key(Program program, EngineWordingRules words) {
        return program.kind() + " " + words.folded(program.name());
    }

    /** What is to be remembered when both sides agree; what is apart then is remembered as such. */
    public static Map<String, String> remembered(Schema wanted, Schema live, Dialect dialect, AgreedPrograms before) {
        return wanted.programs().stream().collect(Collectors.toMap(program -> key(program, dialect),
                program -> one(live.programs(), program, dialect)
                        .filter(own -> !before.apart(program, own, dialect)).map(own -> program.text()).orElse(""),
                (first, second) -> first));
    }

    /** The same as if nothing had been agreed about some programs, such as those that were just written. */
    public AgreedPrograms without(Set<String> names, Dialect dialect) {
        EngineWordingRules words = new EngineWordingRules(dialect);
        Set<String> folded = names.stream().map(words::folded).collect(Collectors.toSet());
        return new AgreedPrograms(live.stream().filter(own -> !folded.contains(words.folded(own.name()))).toList(),
                wanted.entrySet().stream()
                        .filter(own -> !folded.contains(own.getKey().substring(own.getKey().indexOf(' ') + 1)))
                        .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue)));
    }

    /** Whether a wanted program and the live one of its name are not the same any more, or surely never were. */
    boolean apart(Program program, Program own, Dialect dialect) {
        Optional<Program> before = one(live, program, dialect);
        if (before.isEmpty()) {
            return CanonicalProgram.apart(program, own);
        }
        boolean alike = Comparison.text(program).equals(Comparison.text(own));
        return !alike && (moved(own, dialect) || changed(program, dialect));
    }

    /**
     * The views of both sides that nothing is agreed about and that could be compared only by what they speak of, as a
     * sentence; none if there are none.
     */
    public Optional<String> vague(Schema wanted, Schema have, Dialect dialect) {
        if (CatalogWording.of(dialect.target()).keepsStatements()) {
            return Optional.empty();
        }
        List<String> vague = wanted.programs().stream().filter(program -> one(live, program, dialect).isEmpty())
                .filter(program -> one(have.programs(), program, dialect)
                        .filter(own -> CanonicalProgram.vague(program, own)).isPresent())
                .map(Program::name).toList();
        return vague.isEmpty() ? Optional.empty() : Optional.of(String.join(", ", vague)
                + (vague.size() == 1 ? " was" : " were")
                + " compared only by the tables, columns and constants named in "
                + (vague.size() == 1 ? "it" : "them") + ": " + dialect.target().title()
                + " rewords a view, and such a query is not understood here. Once both sides agree, every change of "
                + "it is told.");
    }

    /** Whether the live side changed a program. */
    private boolean moved(Program own, Dialect dialect) {
        return one(live, own, dialect).filter(before -> !Comparison.text(before).equals(Comparison.text(own)))
                .isPresent();
    }

    /** Whether the wanted side changed a program. */
    private boolean changed(Program program, Dialect dialect) {
        return Optional.ofNullable(wanted.get(key(program, dialect)))
                .filter(before -> !Comparison.text(program.worded(before)).equals(Comparison.text(program)))
                .isPresent();
    }

    private static Optional<Program> one(List<Program> programs, Program wanted, Dialect dialect) {
        EngineWordingRules words = new EngineWordingRules(dialect);
        String known = key(wanted, words);
        List<Program> same =
                programs.stream().filter(own -> own.kind() == wanted.kind() && key(own, words).equals(known)).toList();
        return same.size() == 1 ? Optional.of(same.getFirst()) : Optional.empty();
    }

    /**
     * The agreed state with each program worded as by the side that left it alone, so that comparing both sides with it
     * tells who changed it.
     *
     * @param have   the live side
     * @param wanted the other side, with its own texts where they count
     */
    public Schema told(Schema agreed, Schema have, Schema wanted, Dialect dialect) {
        List<Program> programs = new ArrayList<>();
        for (Program program : agreed.programs()) {
            Optional<Program> own = one(have.programs(), program, dialect);
            Optional<Program> other = one(wanted.programs(), program, dialect);
            boolean both = own.isPresent() && other.isPresent();
            programs.add(both && !changed(other.get(), dialect) ? other.get()
                    : both && !moved(own.get(), dialect) ? own.get() : program);
        }
        return new Schema(agreed.types(), agreed.sequences(), agreed.tables(), programs, agreed.extensions());
    }
}
