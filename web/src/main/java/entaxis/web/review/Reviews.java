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

    /** The review of a design as it is now. Requests for one design that come at once wait for the same review. */
    public Review of(OpenDesign open) {
        return made.asMap().compute(open.id(), (id, before) -> now(open, Optional.ofNullable(before))).review();
    }

    private static Made now(OpenDesign open, Optional<Made> before) {
        return before.filter(made -> made.revision() == open.revision()).orElseGet(() -> {
            Reviewed design = Reviewed.of(open.design(), open.derivation());
            Review review = before.map(old -> Review.after(old.review(), design, Policy.DEFAULT))
                    .orElseGet(() -> Review.of(design, Policy.DEFAULT));
            return new Made(open.revision(), review);
        });
    }
}
