package entaxis.web.edit;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.review.Policy;
import entaxis.core.review.Review;
import entaxis.core.review.Reviewed;
import entaxis.web.review.MarginNote;

/** Reads edits that carry out the remedy of a finding. */
final class FindingEditReader {
    private final Design design;
    private final EditForm form;

    FindingEditReader(Design design, EditForm form) {
        this.design = design;
        this.form = form;
    }

    EditReading read() {
        Review review = Review.of(Reviewed.of(design, Derivation.of(design)), Policy.USUAL);
        return MarginNote.remedy(review, form.text("finding"), form.number("remedy")).<EditReading>map(remedy -> EditReader.plain(remedy.change()))
                .orElseGet(() -> EditReading.Faulty.of("finding", "The design has changed, and this is no longer found. Nothing was changed."));
    }
}
