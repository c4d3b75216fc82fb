package entaxis.core.change;

import entaxis.core.design.Design;
import java.util.List;
import java.util.function.UnaryOperator;

/** The design on its way through an edit: as far as it got, or what stopped it. */
record Step(Design design, List<Problem> problems) {
    static Step done(Design design) {
        return new Step(design, List.of());
    }

    static Step refused(Design design, String field, String message) {
        return new Step(design, List.of(new Problem(field, message)));
    }

    boolean ok() {
        return problems.isEmpty();
    }

    Step then(UnaryOperator<Design> next) {
        return ok() ? done(next.apply(design)) : this;
    }
}
