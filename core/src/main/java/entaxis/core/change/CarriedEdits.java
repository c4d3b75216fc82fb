package entaxis.core.change;

import entaxis.core.design.Carried;
import entaxis.core.design.CarriedId;
import entaxis.core.design.CarriedProgram;
import entaxis.core.design.CarriedSequence;
import entaxis.core.design.Design;
import java.util.Optional;

/** Edits of the views, routines, triggers and sequences that are carried along. */
final class CarriedEdits {
    private static final int LONGEST_NAME = 200;
    private static final int LONGEST_TEXT = 1_000_000;

    private CarriedEdits() { }

    static Step put(Design design, Carried carried) {
        return fault(design, carried).map(message -> Step.refused(design, "value", message)).orElseGet(() -> Step.done(design.withCarried(design.carried().with(carried))));
    }

    private static Optional<String> fault(Design design, Carried carried) {
        if (carried.name().isBlank() || carried.name().length() > LONGEST_NAME) {
            return Optional.of("A name has 1 to " + LONGEST_NAME + " characters.");
        }
        return switch (carried) {
            case CarriedProgram program when program.text().isBlank() || program.text().length() > LONGEST_TEXT ->
                    Optional.of("The text of the " + program.kind().word() + " " + program.name() + " is empty or longer than a million characters.");
            case CarriedProgram program -> Optional.empty();
            case CarriedSequence sequence when sequence.step() == 0 -> Optional.of("The sequence " + sequence.name() + " needs a step other than 0.");
            case CarriedSequence sequence -> design.carried().stream().anyMatch(other -> other instanceof CarriedSequence same && !same.id().equals(sequence.id())
                    && same.namespace().equals(sequence.namespace()) && same.name().equals(sequence.name()))
                    ? Optional.of("There is a sequence " + sequence.name() + " already. Name it otherwise.") : Optional.empty();
        };
    }

    static Step remove(Design design, CarriedId carried) {
        return design.carried().contains(carried) ? Step.done(design.withCarried(design.carried().without(carried))) : Step.refused(design, "", "This is no longer there.");
    }
}
