package entaxis.web.store;

import entaxis.core.design.Design;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;

/**
 * The last states of a design and the windows that made them, so that an edit can be compared with what its window
 * showed. Guarded by who holds the design.
 */
final class RecentStates {
    private static final int MAX_COUNT = 100;

    private record State(long revision, Design design, String window) { }

    private final Deque<State> states = new ArrayDeque<>();

    void add(long revision, Design design, String window) {
        if (!states.isEmpty() && states.getLast().revision() != revision - 1) {
            states.clear();
        }
        states.addLast(new State(revision, design, window));
        if (states.size() > MAX_COUNT) {
            states.removeFirst();
        }
    }

    /** The design as a window saw it, if others have changed it since; none too if that is too long ago. */
    Optional<Design> seenBeforeOthers(EditOrigin origin) {
        boolean others = states.stream()
                .anyMatch(state -> state.revision() > origin.seen() && !state.window().equals(origin.window()));
        return !others || origin.window().isEmpty() ? Optional.empty()
                : at(origin.seen());
    }

    /** The design at one of the last revisions. */
    Optional<Design> at(long revision) {
        return states.stream().filter(state -> state.revision() == revision).findFirst().map(State::design);
    }
}
