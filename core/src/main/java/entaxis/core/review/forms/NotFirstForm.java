package entaxis.core.review.forms;

import entaxis.core.dependency.FirstFormSigns;
import entaxis.core.dependency.Rows;
import entaxis.core.design.Attribute;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Entity;
import entaxis.core.review.Basis;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/** Numbered repeats, lists in values, whole names and addresses. */
public final class NotFirstForm implements EntityRule {
    private static final RuleInfo INFO =
            new RuleInfo("not-first-form", Family.FORMS, Level.HINT, Basis.THEORY, "several values in one",
            "What is several values in one attribute cannot be searched, counted or checked one by one.",
            "E. F. Codd, A Relational Model of Data for Large Shared Data Banks, 1970, 1.4");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        List<Attribute> own = entity.attributes();
        if (own.size() > Rows.MAX_COLUMNS) {
            return;
        }
        List<List<String>> values = of.rows(entity.id()).stream()
                .map(row -> own.stream().map(one -> row.values().getOrDefault(ColumnPath.own(one.id()), "")).toList())
                .toList();
        for (FirstFormSigns sign : FirstFormSigns.of(own.stream().map(Attribute::name).toList(), values)) {
            List<Attribute> shown = sign.attributes().members().stream().map(own::get).toList();
            found.accept(new Finding(INFO.id(), INFO.level(), shown.stream().map(one -> of.about(entity, one)).toList(),
                    "“" + shown.stream().map(Attribute::name)
                            .collect(Collectors.joining(", ")) + "” of “" + entity.name() + "” may hold "
                            + sign.kind().words() + ": will its parts ever be asked for alone?",
                    sign.example().isEmpty() ? List.of() : List.of(sign.example()), List.of()));
        }
    }
}
