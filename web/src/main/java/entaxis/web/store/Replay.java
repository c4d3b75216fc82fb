package entaxis.web.store;

import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.design.Design;
import entaxis.exchange.DesignJson;
import entaxis.exchange.UnreadableJson;
import java.util.List;
import java.util.Optional;

/**
 * A design made again of a snapshot and the journal after it, as far as both can be read.
 *
 * @param revision the last revision that could be reached
 * @param damage   why not the one that was wanted, for people
 */
record Replay(Design design, long revision, Optional<String> damage) {

    /**
     * The state at a revision, or the last good one before it. A snapshot that cannot be read is passed over for an
     * older one.
     *
     * @throws DamagedDesign if no snapshot can be read
     */
    static Replay of(DesignMapper mapper, String id, long upTo) {
        String reason = "it has no snapshot";
        for (long revision : mapper.snapshots(id, upTo)) {
            try {
                Design design = DesignJson.readDesign(mapper.snapshot(id, revision).orElseThrow().designJson());
                return after(design, revision, mapper.journalBetween(id, revision, upTo), upTo);
            } catch (UnreadableJson e) {
                reason = "the snapshot of revision " + revision + " cannot be read";
            }
        }
        throw new DamagedDesign("Design " + id + " cannot be read: " + reason + ".");
    }

    private static Replay after(Design snapshot, long from, List<JournalRow> journal, long upTo) {
        Design design = snapshot;
        long revision = from;
        for (JournalRow entry : journal) {
            Optional<String> fault =
                    entry.revision() == revision + 1 ? Optional.empty() : Optional.of("is missing from the journal");
            if (fault.isEmpty()) {
                try {
                    if (JournalRow.Kind.of(entry.kind()).isEmpty()) {
                        fault = Optional
                                .of("is of a kind (“" + entry.kind() + "”) that this version of Entaxis does not know");
                    } else if (Editor.apply(design,
                            DesignJson.readChange(entry.changeJson())) instanceof Applied(Design next, var inverse)) {
                        design = next;
                    } else {
                        fault = Optional.of("does not fit the design as it was then");
                    }
                } catch (UnreadableJson e) {
                    fault = Optional.of("cannot be read");
                }
            }
            if (fault.isPresent()) {
                return new Replay(design, revision, Optional.of("Edit " + (revision + 1) + " " + fault.get() + "."));
            }
            revision++;
        }
        return new Replay(design, revision, revision == upTo ? Optional.empty()
                : Optional.of("Edit " + (revision + 1) + " is missing from the journal."));
    }
}
