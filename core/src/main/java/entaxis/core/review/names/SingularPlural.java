package entaxis.core.review.names;

import entaxis.core.change.Change;
import entaxis.core.design.Entity;
import entaxis.core.design.Naming;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.NamesRule;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.word.Words;
import java.util.List;
import java.util.function.Consumer;

/** Names of entities of which some are in the singular and some in the plural. */
public final class SingularPlural implements NamesRule {
    private static final RuleInfo INFO =
            new RuleInfo("singular-plural", Family.NAMES, Level.HINT, Basis.PRACTICE, "singular and plural mixed",
            "Where some names are in the plural nobody remembers which.",
            "common practice");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Reviewed of, Consumer<Finding> found) {
        if (of.design().facts().names().entities() != Naming.Grammar.AS_TYPED) {
            return;
        }
        List<Entity> plural = of.design().entities().stream()
                .filter(entity -> !Words.singular(entity.name()).equals(entity.name())).toList();
        List<Entity> singular =
                of.design().entities().stream().filter(entity -> Words.singular(entity.name()).equals(entity.name())
                && !Words.plural(entity.name()).equals(entity.name())).toList();
        List<Entity> fewer = plural.size() <= singular.size() ? plural : singular;
        if (!fewer.isEmpty() && fewer.size() * 2 <= Math.max(plural.size(), singular.size())) {
            boolean toSingular = fewer == plural;
            found.accept(new Finding(INFO.id(), INFO.level(), fewer.stream().map(of::about).toList(),
                    Words.counted(fewer.size(), "entity") + (fewer.size() == 1 ? " is" : " are")
                            + " named in the " + (toSingular ? "plural" : "singular") + ", the others in the "
                            + (toSingular ? "singular" : "plural") + ".",
                    fewer.stream().map(Entity::name).toList(),
                    List.of(new SuggestedChange("Name all in the " + (toSingular ? "singular" : "plural"),
                            new Change.Several(fewer.stream()
                                    .<Change>map(entity -> new Change.RenameEntity(entity.id(),
                                            toSingular ? Words.singular(entity.name()) : Words.plural(entity.name())))
                                    .toList())))));
        }
    }
}
