package entaxis.core.review.types;

import entaxis.core.change.AttributeAspect;
import entaxis.core.change.Change;
import entaxis.core.design.Attribute;
import entaxis.core.design.Entity;
import entaxis.core.review.Basis;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.review.Values;
import entaxis.core.review.indexes.ServedColumns;
import entaxis.core.schema.Table;
import entaxis.core.sql.LossReport;
import entaxis.core.type.SqlType;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;

/** A long text or document in a key or an index that the engine does not take there. */
public final class TextInIndex implements EntityRule {
    private static final RuleInfo INFO = new RuleInfo("text-in-index", Family.TYPES, Level.HINT, Basis.MANUAL,
            "text in an index that the engine refuses",
            "Where the engine does not index such a column it is made shorter, and longer values are refused.",
            "each engine’s manual on keys and indexes; MySQL manual, 15.1.15: columns of type TEXT need a prefix "
                    + "length");
    private static final int LENGTH = 190;

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        Table table = of.table(entity.id());
        Set<String> keyed = new LinkedHashSet<>();
        ServedColumns.orders(table).forEach(keyed::addAll);
        for (Attribute own : entity.attributes()) {
            SqlType plain = of.plain(own.type());
            boolean indexed =
                    keyed.contains(of.column(entity.id(), own).name()) && of.design().definition(plain).isEmpty();
            if (indexed && !of.dialect().held(plain, true, LossReport.IGNORED)
                    .equals(of.dialect().held(plain, false, LossReport.IGNORED))) {
                found.accept(INFO.found(List.of(of.about(entity, own)), "“" + own.name() + "” of “" + entity.name()
                        + "” is in a key or index, where "
                        + of.dialect().target().title() + " takes no " + of.design().text(own.type()) + ": it becomes "
                        + of.dialect().type(of.dialect().held(plain, true, LossReport.IGNORED)) + ".", List.of(),
                        Values.allFit(of, entity, own, SqlType.varchar(LENGTH))
                                && own.type().equals(plain)
                                        ? List.of(new SuggestedChange("Make it varchar(" + LENGTH + ")",
                                                new Change.AlterAttribute(entity.id(), own.id(),
                                                        new AttributeAspect.Type(SqlType.varchar(LENGTH)))))
                                        : List.of()));
            }
        }
    }
}
