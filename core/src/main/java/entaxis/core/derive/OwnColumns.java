package entaxis.core.derive;

import entaxis.core.design.Attribute;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Naming;
import entaxis.core.expression.Expression;
import entaxis.core.schema.Column;
import entaxis.core.schema.Identity;
import entaxis.core.type.SqlType;
import entaxis.core.type.SqlType.UserType;
import java.util.IdentityHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The columns that attributes become in their own table. Those of attributes that an edit did not touch are the very
 * same as before it, so that tables are soon found to be equal.
 */
final class OwnColumns {
    private final Design design;
    private final Naming naming;
    private final Map<Attribute, DerivedColumn> earlier;
    private final Map<String, String> tables;
    private final Map<Attribute, DerivedColumn> known = new IdentityHashMap<>();

    private OwnColumns(Design design, Map<Attribute, DerivedColumn> earlier, Map<String, String> tables) {
        this.tables = tables;
        this.design = design;
        this.naming = design.facts().names();
        this.earlier = earlier;
    }

    /** Columns of a design of which nothing is known yet. */
    static OwnColumns of(Design design) {
        return new OwnColumns(design, Map.of(), new ConcurrentHashMap<>());
    }

    /** Whether names and types of a design are made in the same ways as those here. */
    boolean sameWaysIn(Design next) {
        return next.types().equals(design.types()) && next.facts().names().equals(naming);
    }

    /** Columns after an edit: those made before still hold unless names or types are made otherwise now. */
    OwnColumns over(Design next) {
        return sameWaysIn(next) ? new OwnColumns(next, known, tables) : of(next);
    }

    /** The name of the table of an entity of this name. */
    String table(String entity) {
        return tables.computeIfAbsent(entity, naming::table);
    }

    /** The column of an attribute as the attribute states it. */
    DerivedColumn of(Attribute attribute) {
        return known.computeIfAbsent(attribute,
                any -> Optional.ofNullable(earlier.get(attribute)).orElseGet(() -> made(attribute)));
    }

    /** The column of an attribute where it must have a value. */
    DerivedColumn required(Attribute attribute) {
        return of(attribute).required();
    }

    private DerivedColumn made(Attribute attribute) {
        Column column = Column.of(naming.column(attribute.name()), type(attribute.type()))
                .withRequired(attribute.required() || attribute.identity() != Identity.NONE)
                .withDefault(attribute.defaultValue().map(Expression::of))
                .withIdentity(attribute.identity(), attribute.numbering())
                .withGenerated(attribute.generated().map(Expression::of)).withComment(attribute.meaning());
        return new DerivedColumn(ColumnPath.own(attribute.id()), column);
    }

    private SqlType type(SqlType type) {
        return design.definition(type).<SqlType>map(definition -> UserType.of(definition.name())).orElse(type);
    }
}
