package entaxis.core.update;

import entaxis.core.design.Design;
import java.util.List;

/**
 * A design that was brought up to date.
 *
 * @param left what could not be taken over, each as a sentence
 */
public record Updated(Design design, List<String> left) {
    /** Copies what was left. */
    public Updated {
        left = List.copyOf(left);
    }
}
