package entaxis.core.change;

import entaxis.core.design.Design;
import java.util.List;
import java.util.function.UnaryOperator;

/** The design on its way through an edit: as far as it got, or what stopped it. */
record EditStep(Design design, List<Problem> problems) {
    static EditStep done(Design design) {
        return new EditStep(design, List.of());
    }

    static EditStep refused(Design design, String field, String message) {
        return new EditStep(design, List.of(new Problem(field, message)));
    }

    boolean ok() {
        return problems.isEmpty();
    }

    EditStep then(UnaryOperator<Design> next) {
        return ok() ? done(next.apply(design)) : this;
    }
}
