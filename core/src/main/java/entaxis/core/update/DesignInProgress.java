package entaxis.core.update;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.change.Outcome.Refused;
import entaxis.core.change.Problem;
import entaxis.core.derive.Derivation;
import entaxis.core.derive.DerivedColumn;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Enumeration;
import entaxis.core.design.Fresh;
import entaxis.core.design.NamedType;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.SqlName;
import entaxis.core.design.TypeId;
import entaxis.core.expression.Expression;
import entaxis.core.reconcile.Difference;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TablePart;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.type.SqlType.DesignType;
import entaxis.core.type.SqlType.EnumType;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** A design while the database's side of differences is taken over into it, one edit after another. */
final class DesignInProgress {
    private final Schema held;
    private final Schema database;
    private final Dialect dialect;
    private final Fresh fresh;
    private final Map<String, String> meanings;
    private final Derivation compared;
    private final List<String> left = new ArrayList<>();
    private Design design;
    private Derivation derivation;

    /**
     * A design as it is.
     *
     * @param held     the database's schema as its engine holds it, under the design's names
     * @param meanings what columns of the database mean, by table and column, where it does not say so itself
     */
    DesignInProgress(Design design, Derivation derivation, Schema held, Dialect dialect, Fresh fresh,
            Map<String, String> meanings) {
        this.design = design;
        this.derivation = derivation;
        this.compared = derivation;
        this.held = held;
        this.database = IsoNormalizer.of(held, dialect);
        this.dialect = dialect;
        this.fresh = fresh;
        this.meanings = Map.copyOf(meanings);
    }

    Design design() {
        return design;
    }

    Derivation derivation() {
        return derivation;
    }

    Schema database() {
        return database;
    }

    Dialect dialect() {
        return dialect;
    }

    Fresh fresh() {
        return fresh;
    }

    /** What could not be taken over so far, as sentences. */
    List<String> left() {
        return left;
    }

    /** Tells what cannot be taken over. */
    void leave(String sentence) {
        left.add(sentence);
    }

    /** Makes an edit; false if it is refused, which is then told. */
    boolean apply(Change change, String what) {
        return switch (Editor.apply(design, change)) {
            case Applied(Design next, var inverse) -> {
                put(next);
                yield true;
            }
            case Refused(List<Problem> problems) -> {
                leave(what + ": " + problems.getFirst().message());
                yield false;
            }
        };
    }

    /** Goes on with another state of the design. */
    void put(Design next) {
        derivation = Derivation.after(derivation, next);
        design = next;
    }

    /** What a table of a name was derived from, with that table. */
    Optional<DerivedTable> owner(String table) {
        return owner(derivation, table);
    }

    private Optional<DerivedTable> owner(Derivation from, String table) {
        QualifiedName named = QualifiedName.ofLabel(table);
        return !named.namespace().isEmpty() ? Optional.empty() : from.tables().values().stream()
                .filter(own -> isCalled(own.name(), named.name()) || SqlName.of(own.name()).equals(named.name()))
                .findFirst();
    }

    /** Whether the design's engine holds a name of the design under another one, which it may have cut. */
    private boolean isCalled(String name, String held) {
        return name.equals(held) || dialect.stored(name).equals(held);
    }

    /** The column of a table that the design's engine holds under a name. */
    Optional<DerivedColumn> column(DerivedTable table, String held) {
        return table.columns().stream().filter(column -> isCalled(column.name(), held)).findFirst();
    }

    /** The relationship that a foreign key comes from which the design's engine held before any edit. */
    Optional<RelationshipId> relationship(String table, ForeignKey held) {
        return owner(compared, table).flatMap(own -> own.table().foreignKeys().stream()
                .filter(key -> stored(key.columns()).equals(held.columns())
                        && dialect.stored(key.referencedTable()).equals(held.referencedTable())
                        && stored(key.referencedColumns()).equals(held.referencedColumns()))
                .findFirst().flatMap(own::relationship));
    }

    /** Names as the design's engine holds them. */
    List<String> stored(List<String> names) {
        return names.stream().map(dialect::stored).toList();
    }

    /** The entity of a table. */
    Optional<Entity> entityOf(String table) {
        return owner(table).map(DerivedTable::element).filter(EntityId.class::isInstance).map(EntityId.class::cast)
                .flatMap(id -> design.entities().find(id));
    }

    /** The table of a name in the database. */
    Optional<Table> there(String table) {
        return database.tables().stream().filter(own -> own.label().equals(table)).findFirst();
    }

    /**
     * The part of a table that the database has of a difference, in ISO words.
     *
     * @param parts those of its kind that a table has, in their order
     */
    <T extends TablePart> Optional<T> there(Difference difference, Function<Table, List<T>> parts) {
        int at = held.tables().stream().filter(own -> own.label().equals(difference.table())).findFirst()
                .map(own -> difference.have().map(parts.apply(own)::indexOf).orElse(-1)).orElse(-1);
        return there(difference.table()).map(parts).filter(all -> at >= 0 && at < all.size()).map(all -> all.get(at));
    }

    /** A column of a table that follows from the design. */
    Optional<DerivedColumn> derived(String table, String column) {
        return owner(table).flatMap(own -> column(own, column));
    }

    /** A type as the design holds it; a list of values becomes an enumeration. */
    SqlType type(SqlType type, String place) {
        return switch (type) {
            case UserType user -> design.types().stream().filter(own -> own.name().equals(user.name())).findFirst()
                    .<SqlType>map(own -> new DesignType(own.id().value()))
                    .orElse(new SqlType.NativeType(user.label()));
            case EnumType(List<String> values) -> {
                Optional<NamedType> same = design.types().stream()
                        .filter(own -> own instanceof Enumeration listed && listed.values().equals(values)).findFirst();
                Enumeration made =
                        new Enumeration(new TypeId(same.map(own -> own.id().value()).orElseGet(() -> fresh.id('t'))),
                                freeType(SqlName.of(place)), values, "");
                if (same.isEmpty()) {
                    apply(new Change.PutType(made), "The values of " + place);
                }
                yield new DesignType(made.id().value());
            }
            default -> type;
        };
    }

    String freeType(String wanted) {
        String name = wanted;
        for (int number = 2; taken(name); number++) {
            name = wanted + "_" + number;
        }
        return name;
    }

    boolean taken(String name) {
        return design.types().stream().anyMatch(type -> type.name().equals(name));
    }

    /** An attribute for a column of the database. */
    Attribute attribute(Column column, String table) {
        return new Attribute(new AttributeId(fresh.id('a')), column.name(),
                type(column.type(), table + "_" + column.name()), column.required(),
                column.defaultValue().map(Expression::text),
                Optional.empty(), "",
                column.identity(), column.numbering(), column.generated().map(Expression::text),
                column.comment().isEmpty() ? meanings.getOrDefault(table + "." + column.name(), "") : column.comment());
    }

    /** The own attribute that a column was derived from. */
    Optional<AttributeId> own(String table, String column) {
        return derived(table, column).map(DerivedColumn::path).filter(path -> !path.migrated())
                .map(ColumnPath::attribute);
    }

    /** Applies what is only wished for; a refusal is no loss. */
    void keep(Change change) {
        if (Editor.apply(design, change) instanceof Applied(Design next, var inverse)) {
            put(next);
        }
    }
}
