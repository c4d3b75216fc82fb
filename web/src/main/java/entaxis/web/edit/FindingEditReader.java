package entaxis.web.edit;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.review.Finding;
import entaxis.core.review.Policy;
import entaxis.core.review.Review;
import entaxis.core.review.Reviewed;
import entaxis.core.sql.Dialect;
import entaxis.web.review.MarginNote;
import java.util.Optional;

/** Reads edits that carry out the remedy of a finding. */
final class FindingEditReader {
    private final Design design;
    private final EditForm form;

    FindingEditReader(Design design, EditForm form) {
        this.design = design;
        this.form = form;
    }

    EditReading read() {
        Reviewed reviewed = new Reviewed(design, Derivation.of(design), Dialect.of(design.facts().target()));
        Optional<Finding> finding = Review.of(reviewed, Policy.USUAL).findings().stream().filter(one -> MarginNote.id(one).equals(form.text("finding"))).findFirst();
        int remedy = form.number("remedy");
        if (finding.isEmpty() || remedy < 0 || remedy >= finding.get().remedies().size()) {
            return EditReading.Faulty.of("finding", "The design has changed, and this is no longer found. Nothing was changed.");
        }
        return EditReader.plain(finding.get().remedies().get(remedy).change());
    }
}
