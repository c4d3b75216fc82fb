package entaxis.core.review.names;

import entaxis.core.change.Change;
import entaxis.core.change.Renaming;
import entaxis.core.design.EntityId;
import entaxis.core.design.OwnerId;
import entaxis.core.review.About;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.NamesRule;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.word.Words;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;

/** Names that do not follow the design’s own policy. */
public final class DepartsFromPolicy implements NamesRule {
    private static final RuleInfo INFO =
            new RuleInfo("policy", Family.NAMES, Level.HINT, Basis.PRACTICE, "departs from the naming policy",
            "A policy that some names do not follow tells nobody anything.",
            "the design’s own naming policy");
    private static final int MAX_COUNT = 8;

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Reviewed of, Consumer<Finding> found) {
        List<Renaming.Proposal> proposals = Renaming.proposals(of.design());
        if (!proposals.isEmpty()) {
            Set<OwnerId> owners = new HashSet<>();
            proposals.forEach(one -> {
                switch (one.change()) {
                    case Change.RenameEntity(EntityId id, String name) -> owners.add(id);
                    case Change.AlterAttribute(OwnerId owner, var attribute, var aspect) -> owners.add(owner);
                    default -> { }
                }
            });
            List<About> about = of.design().entities().stream().filter(entity -> owners.contains(entity.id()))
                    .map(of::about).toList();
            found.accept(new Finding(INFO.id(), INFO.level(), about,
                    Words.counted(proposals.size(), "name") + (proposals.size() == 1 ? " does" : " do")
                            + " not follow the naming policy of the design.",
                    proposals.stream().limit(MAX_COUNT).map(one -> one.was() + " would be " + one.becomes()).toList(),
                    List.of(new SuggestedChange("Rename all of them",
                            new Change.Several(proposals.stream().map(Renaming.Proposal::change).toList())))));
        }
    }
}
