package entaxis.web.store;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import java.util.Optional;

/**
 * A design in memory, as it is at one revision, with what follows from it.
 *
 * @param damage what is wrong with what was kept after this revision, for people; such a design can be read and copied,
 *               not edited
 */
public record OpenDesign(String id, long revision, Design design, Derivation derivation, UndoHistory history,
        Optional<String> damage) {
    /** One whose journal is whole. */
    public OpenDesign(String id, long revision, Design design, Derivation derivation, UndoHistory history) {
        this(id, revision, design, derivation, history, Optional.empty());
    }
}
