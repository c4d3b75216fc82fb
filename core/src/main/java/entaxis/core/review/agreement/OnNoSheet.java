package entaxis.core.review.agreement;

import entaxis.core.change.Change;
import entaxis.core.design.Entity;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import entaxis.core.design.Sheet;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.Rule;
import entaxis.core.review.RuleInfo;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;

/** Entities that no sheet shows. */
public final class OnNoSheet implements Rule {
    private static final RuleInfo INFO =
            new RuleInfo("on-no-sheet", Family.AGREEMENT, Level.HINT, Basis.PRACTICE, "on no sheet",
            "What is on no sheet is forgotten when the sheets are looked at.",
            "common practice");
    private static final int BELOW = 260;

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Reviewed of, Consumer<Finding> found) {
        List<Sheet> sheets = of.design().sheets().list();
        List<Entity> absent = new ArrayList<>();
        for (Entity entity : of.design().entities()) {
            if (sheets.stream().noneMatch(sheet -> sheet.places().containsKey(entity.id()))) {
                absent.add(entity);
            }
        }
        if (!absent.isEmpty()) {
            int bottom = of.design().sheet().places().values().stream().mapToInt(Place::y).max().orElse(-BELOW) + BELOW;
            Map<OwnerId, Place> places = new LinkedHashMap<>();
            absent.forEach(entity -> places.put(entity.id(), new Place(40 + places.size() * BELOW, bottom)));
            found.accept(new Finding(INFO.id(), INFO.level(), absent.stream().map(of::about).toList(),
                    Words.counted(absent.size(), "entity") + (absent.size() == 1 ? " is" : " are")
                            + " on no sheet.",
                    absent.stream().map(Entity::name).toList(),
                    List.of(new SuggestedChange("Put on “" + of.design().sheet().name() + "”",
                    new Change.PlaceCards(of.design().sheet().id(), places)))));
        }
    }
}
