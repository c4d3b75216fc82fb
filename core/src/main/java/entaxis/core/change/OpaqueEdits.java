package entaxis.core.change;

import entaxis.core.design.Design;
import entaxis.core.design.OpaqueId;
import entaxis.core.design.OpaqueObject;
import entaxis.core.design.OpaqueProgram;
import entaxis.core.design.OpaqueSequence;
import java.util.Optional;

/** Edits of the views, routines, triggers and sequences that are carried along. */
final class OpaqueEdits {
    private static final int MAX_NAME_LENGTH = 200;
    private static final int MAX_TEXT_LENGTH = 1_000_000;

    private OpaqueEdits() { }

    static EditStep put(Design design, OpaqueObject carried) {
        return fault(design, carried).map(message -> EditStep.refused(design, "value", message))
                .orElseGet(() -> EditStep.done(design.withCarried(design.carried().with(carried))));
    }

    private static Optional<String> fault(Design design, OpaqueObject carried) {
        if (carried.name().isBlank() || carried.name().length() > MAX_NAME_LENGTH) {
            return Optional.of("A name has 1 to " + MAX_NAME_LENGTH + " characters.");
        }
        return switch (carried) {
            case OpaqueProgram program when program.text().isBlank() || program.text().length() > MAX_TEXT_LENGTH ->
                    Optional.of("The text of the " + program.kind().word() + " " + program.name()
                            + " is empty or longer than a million characters.");
            case OpaqueProgram program -> Optional.empty();
            case OpaqueSequence sequence when sequence.step() == 0 ->
                    Optional.of("The sequence " + sequence.name() + " needs a step other than 0.");
            case OpaqueSequence sequence -> design.carried().stream()
                    .anyMatch(other -> other instanceof OpaqueSequence same && !same.id().equals(sequence.id())
                    && same.namespace().equals(sequence.namespace()) && same.name().equals(sequence.name()))
                                    ? Optional.of(
                                            "There is a sequence " + sequence.name() + " already. Name it otherwise.")
                                    : Optional.empty();
        };
    }

    static EditStep remove(Design design, OpaqueId carried) {
        return design.carried().contains(carried) ? EditStep.done(design.withCarried(design.carried().without(carried)))
                : EditStep.refused(design, "", "This is no longer there.");
    }
}
