package entaxis.core.reconcile;

import entaxis.core.reading.Reading;
import entaxis.core.reading.ScriptReader;
import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Sequence;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.DialectAdapter;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.targets.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The sides of a comparison as one engine holds them, so that they can be compared. */
public final class EngineSchema {
    private EngineSchema() { }

    /**
     * A schema in an engine's own words as another engine holds it; views and routines are in the words of the first,
     * and are left out where the engines differ.
     */
    public static Schema of(Schema schema, Target spoken, Dialect dialect) {
        Schema named = new Schema(schema.types(), schema.sequences(),
                schema.tables().stream().filter(table -> !table.columns().isEmpty()).toList(), schema.programs(),
                schema.extensions());
        if (spoken == dialect.target()) {
            return DialectAdapter.ofOwn(named, dialect).schema();
        }
        Schema neutral = IsoNormalizer.of(named, Dialect.of(spoken));
        return DialectAdapter.fit(neutral, dialect).schema();
    }

    /** The schema that follows from a design as an engine holds it. */
    public static Schema ofDesign(Schema derived, Dialect dialect) {
        return DialectAdapter.fit(new Schema(derived.types(), derived.sequences(),
                derived.tables().stream().filter(table -> !table.columns().isEmpty()).toList(), derived.programs()),
                dialect).schema();
    }

    /**
     * A schema that a live database is compared with. An engine words views and routines in its own way, so that a text
     * of the design cannot be told from another one: those that are there under the same name count as the same unless
     * either side changed its text since both agreed, or the texts speak of other things. Where
     * the very statements are kept, the texts count. Where a sequence began, and routines, may not be told; a view of
     * an engine that tells no routines is asked for only if it is one view and nothing else.
     *
     * @param agreed how both sides worded them when they last agreed
     */
    public static Schema against(Schema wanted, Schema live, Dialect dialect, AgreedPrograms agreed) {
        if (CatalogWording.of(dialect.target()).keepsStatements()) {
            return wanted;
        }
        CatalogWording catalog = CatalogWording.of(dialect.target());
        List<Sequence> sequences = catalog.tellsSequenceStart() ? wanted.sequences()
                : wanted.sequences().stream().map(sequence -> begun(sequence, live.sequences(), dialect)).toList();
        EngineWordingRules words = new EngineWordingRules(dialect);
        List<Program> there = new ArrayList<>(live.programs());
        List<Program> programs = new ArrayList<>();
        for (Program program : wanted.programs()) {
            Optional<
                    Program> same =
                            there.stream()
                                    .filter(own -> own.kind() == program.kind()
                                            && words.folded(own.qualifiedName().label())
                            .equals(words.folded(program.qualifiedName().label())))
                                    .findFirst();
            same.ifPresent(there::remove);
            if (same.isPresent() || catalog.readsRoutines() || oneView(program)) {
                programs.add(same.filter(own -> !agreed.apart(program, own, dialect)).orElse(program));
            }
        }
        return new Schema(wanted.types(), sequences, wanted.tables(), programs, wanted.extensions());
    }

    /**
     * A schema whose views, routines and triggers have the texts of another one's where both surely say the same:
     * a script against what an engine dumped of it, for instance.
     */
    public static Schema aligned(Schema schema, Schema other, Dialect dialect) {
        EngineWordingRules words = new EngineWordingRules(dialect);
        List<Program> there = new ArrayList<>(other.programs());
        List<Program> programs = new ArrayList<>();
        for (Program program : schema.programs()) {
            Optional<Program> same = there.stream().filter(own -> own.kind() == program.kind()
                    && words.folded(own.qualifiedName().label())
                            .equals(words.folded(program.qualifiedName().label()))
                    && CanonicalProgram.surelySame(program, own)).findFirst();
            same.ifPresent(there::remove);
            programs.add(same.map(own -> program.worded(own.text())).orElse(program));
        }
        return new Schema(schema.types(), schema.sequences(), schema.tables(), programs, schema.extensions());
    }

    /** Where a sequence began is not told, so it counts as where it is said to have begun. */
    private static Sequence begun(Sequence sequence, List<Sequence> live, Dialect dialect) {
        EngineWordingRules words = new EngineWordingRules(dialect);
        return live.stream()
                .filter(own -> words.folded(own.qualifiedName().label())
                        .equals(words.folded(sequence.qualifiedName().label()))
                        && own.step() == sequence.step())
                .findFirst()
                .map(own -> sequence.startingAt(own.start()))
                .orElse(sequence);
    }

    private static boolean oneView(Program program) {
        Reading reading = ScriptReader.read(program.text(), program.target());
        return reading.complete() && reading.statements() == 1 && reading.schema().programs().size() == 1
                && reading.schema().programs().getFirst().kind() == ProgramKind.VIEW;
    }
}
