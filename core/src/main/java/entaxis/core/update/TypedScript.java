package entaxis.core.update;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.Fresh;
import entaxis.core.reading.NotUnderstood;
import entaxis.core.reading.Reading;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.Aspect;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.Difference;
import entaxis.core.reconcile.DifferenceWords;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.Rename;
import entaxis.core.reconcile.RenameFinder;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.reconcile.SchemaPart;
import entaxis.core.reconcile.SchemaRenaming;
import entaxis.core.reconcile.Secured;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import java.util.ArrayList;
import java.util.List;

/**
 * A design edited as its own script: what was changed in the text is changed in the design, everything else of it
 * stays.
 */
public sealed interface TypedScript {

    /** The text has places that are not understood; nothing follows from it. */
    record Faulty(List<NotUnderstood> faults) implements TypedScript {
        /** Copies the faults. */
        public Faulty {
            faults = List.copyOf(faults);
        }
    }

    /** The text has no table, which would take everything away. */
    record Empty() implements TypedScript { }

    /**
     * The design as the text says.
     *
     * @param changes what changes, as sentences
     * @param left    what a design cannot say as the text does
     */
    record Followed(Design design, List<String> changes, List<String> left) implements TypedScript {
        /** Copies the lists. */
        public Followed {
            changes = List.copyOf(changes);
            left = List.copyOf(left);
        }
    }

    /**
     * Reads an edited script and lets the design follow. A name that was exchanged for another in its place is a new
     * name of the same thing where that is likely.
     *
     * @param engine the engine whose script was edited
     */
    static TypedScript of(Design design, Target engine, String text, Fresh fresh) {
        Reading reading = ScriptReader.read(text, engine);
        if (!reading.complete()) {
            return new Faulty(reading.notUnderstood());
        }
        if (reading.schema().tables().isEmpty()) {
            return new Empty();
        }
        Dialect dialect = Dialect.of(engine);
        Schema typed = EngineSchema.of(reading.schema(), engine, dialect);
        Derivation derivation = Derivation.of(design);
        Schema stated = EngineSchema.ofDesign(derivation.schema(), dialect);
        RenameMap pairing = RenameMap.NONE;
        for (Rename rename : RenameFinder.find(typed, stated, dialect)) {
            boolean inItsPlace =
                    rename.part() == SchemaPart.COLUMN && rename.reasons().contains(RenameFinder.SAME_NEIGHBOURS);
            pairing = rename.likely() || inItsPlace ? rename.into(pairing) : pairing;
        }
        List<Difference> differences = Comparison.of(typed, stated, dialect, pairing).differences().stream()
                .filter(difference -> difference.aspect() != Aspect.NAME || difference.part() == SchemaPart.TABLE
                        || difference.part() == SchemaPart.COLUMN)
                .toList();
        DifferenceWords words = new DifferenceWords("the text", "the design");
        Updated updated = DesignUpdate.of(design, derivation, SchemaRenaming.apply(typed, pairing, dialect), dialect,
                differences, words, fresh);
        List<String> left = new ArrayList<>(updated.left());
        reading.rows().stream().map(row -> row.table()).distinct().forEach(
                table -> left.add("The rows of " + table + " are left out; put sample rows in on the Trial desk."));
        Secured.of(typed).filter(one -> one.isUnusual(dialect))
                .forEach(one -> left.add("A design does not hold who may use " + one.name() + "."));
        reading.steppedOver().stream().filter(passed -> !passed.kind().equals("transaction"))
                .forEach(passed -> left.add("Line " + passed.line() + " was stepped over: " + passed.kind() + "."));
        return new Followed(updated.design(), differences.stream().map(words::sentence).toList(), left);
    }
}
