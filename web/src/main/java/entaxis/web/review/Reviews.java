package entaxis.web.review;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import entaxis.core.review.Policy;
import entaxis.core.review.Review;
import entaxis.core.review.Reviewed;
import entaxis.web.store.OpenDesign;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The reviews of the last designs that were looked at, so that after an edit only what it touched is judged again. */
@Component
public class Reviews {
    private static final int KEPT = 16;

    private record Made(long revision, Review review) { }

    private final Cache<String, Made> made = Caffeine.newBuilder().maximumSize(KEPT).executor(Runnable::run).build();

    /** The review of a design as it is now. */
    public Review of(OpenDesign open) {
        Optional<Made> before = Optional.ofNullable(made.getIfPresent(open.id()));
        if (before.filter(old -> old.revision() == open.revision()).isPresent()) {
            return before.get().review();
        }
        Reviewed design = Reviewed.of(open.design(), open.derivation());
        Review review = before.map(old -> Review.after(old.review(), design, Policy.DEFAULT))
                .orElseGet(() -> Review.of(design, Policy.DEFAULT));
        made.put(open.id(), new Made(open.revision(), review));
        return review;
    }
}
