package entaxis.core.review.relationships;

import entaxis.core.change.Change;
import entaxis.core.derive.DerivedColumn;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Relationship;
import entaxis.core.design.SampleRow;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.GatheringRule;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.schema.Table;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Stream;

/** A relationship that may follow from two others: to the parent of a parent. */
public final class SecondWay implements GatheringRule<SecondWay.Referring> {
    private static final RuleInfo INFO = new RuleInfo("second-way", Family.RELATIONSHIPS, Level.HINT, Basis.PRACTICE,
            "relationship that may follow from others",
            "What can be had by way of another entity is stored a second time, and may differ there.",
            "common practice: connection traps; textbooks call such a relationship redundant where both ways always "
                    + "lead to the same");
    private static final int MAX_SHOWN = 3;
    /** Questions at most; who has answered some is asked the next. */
    private static final int MAX_COUNT = 40;

    /** What the rows of an entity refer to, and by which columns. */
    record Referring(String name, List<Relationship> references, List<List<DerivedColumn>> columns, List<String> key,
            List<ColumnPath> paths, List<SampleRow> rows) { }

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public Optional<Referring> gather(Entity entity, Reviewed of) {
        List<Relationship> references = of.references(entity.id()).stream().filter(one -> !one.recursive()).toList();
        Table table = of.table(entity.id());
        return Optional.of(new Referring(entity.name(), references, references.stream().map(of::columns).toList(),
                table.keyColumns(), of.derived(entity.id()).paths(), of.rows(entity.id())));
    }

    @Override
    public void conclude(Stream<Referring> gathered, Reviewed of, Consumer<Finding> found) {
        Map<EntityId, List<Relationship>> parents = new LinkedHashMap<>();
        gathered.filter(one -> !one.references().isEmpty())
                .forEach(one -> parents.put(one.references().getFirst().childEntity().orElseThrow(), one.references()));
        int[] asked = {0};
        Consumer<Finding> some = finding -> {
            asked[0]++;
            found.accept(finding);
        };
        parents.forEach((child, references) -> {
            for (Relationship direct : asked[0] < MAX_COUNT ? references : List.<Relationship>of()) {
                for (Relationship first : references) {
                    EntityId middle = first.parentEntity().orElseThrow();
                    if (first != direct && !middle.equals(direct.parentEntity().orElseThrow())) {
                        parents.getOrDefault(middle, List.of()).stream()
                                .filter(second -> second.parentEntity().equals(direct.parentEntity()))
                                .findFirst().ifPresent(second -> ask(of, child, direct, first, second, some));
                    }
                }
            }
        });
    }

    private static void ask(Reviewed of, EntityId child, Relationship direct, Relationship first, Relationship second,
            Consumer<Finding> found) {
        List<DerivedColumn> own = of.columns(direct);
        List<DerivedColumn> carried = of.columns(second);
        boolean shared =
                own.isEmpty() || carried.size() != own.size() || of.columns(first).stream().anyMatch(own::contains);
        if (shared) {
            return;
        }
        List<String> agree = new ArrayList<>();
        DerivedTable middle = of.derived(first.parentEntity().orElseThrow());
        List<DerivedColumn> middleKey = middle.columns().stream()
                .filter(column -> middle.table().keyColumns().contains(column.name())).toList();
        for (SampleRow row : of.rows(child)) {
            List<String> away = values(row, of.columns(first));
            Optional<SampleRow> between = away.contains("") ? Optional.empty() : of
                    .rows(first.parentEntity().orElseThrow()).stream()
                    .filter(other -> values(other, middleKey).equals(away))
                    .findFirst();
            List<String> here = values(row, own);
            if (between.isPresent() && !here.contains("")) {
                if (!values(between.get(), carried).equals(here)) {
                    return;   // the rows answer the question: the two ways lead to different ones
                }
                agree.add(String.join(", ", here) + " both ways");
            }
        }
        String parent = of.name(direct.parentEntity().orElseThrow());
        List<String> evidence = new ArrayList<>(List.of(agree.isEmpty() ? "no sample rows speak for it or against it"
                : Words.counted(agree.size(), "sample row") + (agree.size() == 1 ? " leads" : " lead")
                        + " to the same both ways, none to another"));
        agree.stream().limit(MAX_SHOWN).forEach(evidence::add);
        found.accept(INFO.found(List.of(of.about(direct), of.about(first), of.about(second)),
                "Does each " + Words.inSentence(of.name(child)) + " have the same "
                        + Words.inSentence(parent) + " as its "
                        + Words.inSentence(of.name(first.parentEntity().orElseThrow())) + "? Then the relationship to “"
                        + parent
                + "” follows from the other two.", evidence,
                List.of(new SuggestedChange("Remove the relationship to " + parent,
                        new Change.RemoveRelationship(direct.id())))));
    }

    private static List<String> values(SampleRow row, List<DerivedColumn> columns) {
        return columns.stream().map(column -> column.typed(row)).toList();
    }
}
