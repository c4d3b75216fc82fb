package entaxis.web.reading;

import java.util.List;

/** What came of trying a connection, step by step until the first that does not work. */
public record Attempt(String name, List<Step> steps) {
    /** One thing that was tried, and what was found or what to do. */
    public record Step(String what, boolean works, String words) { }

    /** Copies the steps. */
    public Attempt {
        steps = List.copyOf(steps);
    }

    /** Whether all of it works. */
    public boolean works() {
        return steps.stream().allMatch(Step::works);
    }
}
