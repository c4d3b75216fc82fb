package entaxis.core.review;

import java.util.function.Consumer;

/** Finds one sort of thing in a design. A pure function of what is reviewed. */
public interface Rule {
    /** What is known of the rule. */
    RuleInfo info();

    /** Tells all findings. */
    void judge(Reviewed of, Consumer<Finding> found);
}
