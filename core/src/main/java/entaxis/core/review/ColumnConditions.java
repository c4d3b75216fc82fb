package entaxis.core.review;

import entaxis.core.design.Attribute;
import entaxis.core.design.Domain;
import entaxis.core.design.Entity;
import entaxis.core.design.Enumeration;
import entaxis.core.expression.Condition;
import entaxis.core.expression.SqlValue;
import entaxis.core.expression.Truth;
import entaxis.core.schema.CheckRule;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/**
 * All conditions that the values of one attribute have to meet: its own, those of its entity that speak of it, and that
 * of its domain. They are tried on one value of each range into which their constants cut the values of the type, so
 * that a verdict holds for every value.
 */
public final class ColumnConditions {
    private static final ColumnConditions NONE = new ColumnConditions(List.of(), List.of(), Optional.empty());

    private final List<Condition> conditions;
    private final List<String> texts;
    private final Optional<List<SqlValue>> values;

    private ColumnConditions(List<Condition> conditions, List<String> texts, Optional<List<SqlValue>> values) {
        this.conditions = conditions;
        this.texts = texts;
        this.values = values;
    }

    /** The conditions of an attribute. */
    public static ColumnConditions of(Reviewed of, Entity entity, Attribute own) {
        List<CheckRule> checks = of.table(entity.id()).checks();
        if (checks.isEmpty() && of.design().definition(own.type()).isEmpty()) {
            return NONE;
        }
        String column = of.column(entity.id(), own).name().toLowerCase(Locale.ROOT);
        List<String> texts = new ArrayList<>();
        List<Condition> conditions = new ArrayList<>();
        for (CheckRule check : checks) {
            of.condition(check.condition().text()).filter(one -> one.names().contains(column)).ifPresent(one -> {
                conditions.add(one.about(column));
                texts.add(check.condition().text());
            });
        }
        domain(of, own.type()).ifPresent(check -> of.condition(check).ifPresent(one -> {
            conditions.add(one.about("value"));
            texts.add(check);
        }));
        return new ColumnConditions(conditions, texts,
                conditions.isEmpty() ? Optional.empty() : values(of, own, conditions));
    }

    /** The condition of a domain that refuses a value of it. */
    public static Optional<String> brokenOfDomain(Reviewed of, SqlType type, SqlValue value) {
        return domain(of, type)
                .filter(check -> of.condition(check).filter(one -> one.truth(any -> value) == Truth.FALSE).isPresent());
    }

    private static Optional<String> domain(Reviewed of, SqlType type) {
        return of.design().definition(type)
                .flatMap(named -> named instanceof Domain domain ? domain.check() : Optional.empty());
    }

    private static Optional<List<SqlValue>> values(Reviewed of, Attribute own, List<Condition> conditions) {
        List<SqlValue> constants = conditions.stream().flatMap(one -> one.constants().stream()).distinct().toList();
        return of.design().definition(own.type()).filter(Enumeration.class::isInstance).map(Enumeration.class::cast)
                .isPresent()
                        ? Optional.of(((Enumeration) of.design().definition(own.type()).get()).values().stream()
                                .<SqlValue>map(SqlValue.Text::new).toList())
                : SampleValues.of(of.plain(own.type()), of.dialect().holdsTypes(), constants);
    }

    /** The conditions as they were written. */
    public List<String> texts() {
        return texts;
    }

    /** Whether every value is refused. Never so where a part of a condition that is not understood could decide. */
    public boolean neverMet() {
        return values.isPresent() && !values.get().isEmpty() && values.get().stream()
                .allMatch(value -> conditions.stream().anyMatch(one -> one.truth(any -> value) == Truth.FALSE));
    }

    /** Whether a condition on one attribute refuses no value that the attribute can have, none left out. */
    public static boolean alwaysMet(Reviewed of, Entity entity, Attribute own, String check) {
        String column = of.column(entity.id(), own).name().toLowerCase(Locale.ROOT);
        Optional<Condition> condition =
                of.condition(check).filter(one -> one.names().equals(Set.of(column))).map(one -> one.about(column));
        Optional<List<SqlValue>> values = condition.flatMap(one -> values(of, own, List.of(one)));
        if (values.isEmpty() || values.get().isEmpty()) {
            return false;
        }
        List<SqlValue> all = new ArrayList<>(values.get());
        if (!own.required()) {
            all.add(SqlValue.MISSING);
        }
        return all.stream().map(value -> condition.get().truth(any -> value))
                .allMatch(truth -> truth == Truth.TRUE || truth == Truth.UNKNOWN);
    }

    /** The condition of a table or domain that refuses a value of an attribute, given the others. */
    static Optional<String> broken(Reviewed of, Attribute own, List<CheckRule> checks,
            Function<String, SqlValue> values, SqlValue value) {
        return brokenOfDomain(of, own.type(), value).or(() -> checks.stream().map(check -> check.condition().text())
                .filter(check -> of.condition(check).filter(one -> one.truth(values) == Truth.FALSE).isPresent())
                .findFirst());
    }
}
