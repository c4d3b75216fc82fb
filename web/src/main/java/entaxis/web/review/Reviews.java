package entaxis.web.review;

import entaxis.core.review.Policy;
import entaxis.core.review.Review;
import entaxis.core.review.Reviewed;
import entaxis.web.store.OpenDesign;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The reviews of the last designs that were looked at, so that after an edit only what it touched is judged again. */
@Component
public class Reviews {
    private static final int KEPT = 16;

    private record Made(long revision, Review review) { }

    private final Map<String, Made> made = new LinkedHashMap<>(KEPT, 0.75f, true);

    /** The review of a design as it is now. */
    public Review of(OpenDesign open) {
        Optional<Made> before = before(open.id());
        if (before.filter(old -> old.revision() == open.revision()).isPresent()) {
            return before.get().review();
        }
        Reviewed design = Reviewed.of(open.design(), open.derivation());
        Review review = before.map(old -> Review.after(old.review(), design, Policy.DEFAULT))
                .orElseGet(() -> Review.of(design, Policy.DEFAULT));
        keep(open.id(), new Made(open.revision(), review));
        return review;
    }

    private synchronized Optional<Made> before(String design) {
        return Optional.ofNullable(made.get(design));
    }

    private synchronized void keep(String design, Made now) {
        made.put(design, now);
        if (made.size() > KEPT) {
            made.remove(made.keySet().iterator().next());
        }
    }
}
