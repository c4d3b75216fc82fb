package entaxis.web.edit;

import entaxis.core.change.Change;
import entaxis.core.derive.Derivation;
import entaxis.core.design.AcceptedFinding;
import entaxis.core.design.DecisionId;
import entaxis.core.design.Design;
import entaxis.core.design.RuleLevel;
import entaxis.core.review.Finding;
import entaxis.core.review.GroupRemedy;
import entaxis.core.review.Level;
import entaxis.core.review.Policy;
import entaxis.core.review.Review;
import entaxis.core.review.Reviewed;
import entaxis.core.review.Rules;
import entaxis.web.edit.EditReading.Faulty;
import entaxis.web.review.MarginNote;
import java.util.List;

/**
 * Reads edits about findings: carrying out a remedy, or those of a whole rule; living with a finding; the level of a
 * rule.
 */
final class FindingEditReader {
    private static final String GONE = "The design has changed, and this is no longer found. Nothing was changed.";
    private static final String OFF = "off";
    private static final String DEFAULT = "usual";
    private final Design design;
    private final EditForm form;

    FindingEditReader(Design design, EditForm form) {
        this.design = design;
        this.form = form;
    }

    EditReading read() {
        return switch (form.kind()) {
            case FINDING_REMEDY -> MarginNote.remedy(review(), form.text("finding"), form.number("remedy"))
                    .<EditReading>map(remedy -> EditReader.plain(remedy.change()))
                    .orElseGet(() -> Faulty.of("finding", GONE));
            case FINDING_GROUP -> GroupRemedy.of(design, rule(), Policy.DEFAULT)
                    .<EditReading>map(group -> EditReader.plain(group.change()))
                    .orElseGet(() -> Faulty.of("finding",
                            "None of these can be set right together. Look at them one by one."));
            case FINDING_ACCEPT -> MarginNote.finding(review(), form.text("finding")).<EditReading>map(this::accepted)
                    .orElseGet(() -> Faulty.of("finding", GONE));
            case FINDING_REOPEN -> EditReader.plain(new Change.Withdraw(new DecisionId(form.text("decision"))));
            case FINDING_LEVEL -> level();
            default -> throw form.unknown();
        };
    }

    private Review review() {
        return Review.of(Reviewed.of(design, Derivation.of(design)), Policy.DEFAULT);
    }

    private String rule() {
        String rule = form.text("rule");
        if (Rules.info(rule).isEmpty()) {
            throw new WrongRequest("there is no rule “" + rule + "”");
        }
        return rule;
    }

    private EditReading accepted(Finding finding) {
        return EditReader.plain(new Change.Decide(new AcceptedFinding(finding.decision(), finding.sentence(),
                finding.evidenceMark(), form.value().strip())));
    }

    private EditReading level() {
        DecisionId id = DecisionId.rule(rule());
        String wanted = form.value();
        boolean usual = wanted.equals(DEFAULT) || Level.of(wanted).isPresent()
                && Level.of(wanted).equals(Rules.info(rule()).map(info -> info.level()));
        if (usual) {
            return EditReader
                    .plain(design.decisions().contains(id) ? new Change.Withdraw(id) : new Change.Several(List.of()));
        }
        if (!wanted.equals(OFF) && Level.of(wanted).isEmpty()) {
            throw new WrongRequest("“" + wanted + "” is no level");
        }
        return EditReader.plain(new Change.Decide(new RuleLevel(id, wanted.equals(OFF) ? "" : wanted)));
    }
}
