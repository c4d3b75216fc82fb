package entaxis.core.reconcile;

import entaxis.core.expression.Expression;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Identity;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.Table;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.Functions;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.TableFeatures.Comments;
import entaxis.core.sql.TableWriter;
import entaxis.core.token.Literals;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;

/** How one engine words things, and what its wordings mean: two that mean the same are no difference. */
public final class EngineWordingRules {
    private final Dialect dialect;
    private final TableWriter writer;
    private final CatalogWording catalog;
    private final boolean folds;
    private final Map<Expression, String> senses = new ConcurrentHashMap<>();

    /** The wordings of an engine. */
    public EngineWordingRules(Dialect dialect) {
        this.dialect = dialect;
        this.writer = new TableWriter(dialect, ScriptOptions.DEFAULT);
        this.catalog = CatalogWording.of(dialect.target());
        this.folds = catalog.ignoresCase();
    }

    /** A name as the engine tells it from others. */
    public String folded(String name) {
        return folds ? name.toLowerCase(Locale.ROOT) : name;
    }

    /** The names as the engine tells them from others. */
    public List<String> folded(List<String> names) {
        return folds ? names.stream().map(this::folded).toList() : names;
    }

    /** The engine's dialect. */
    public Dialect dialect() {
        return dialect;
    }

    /** Writes definitions for the engine. */
    public TableWriter writer() {
        return writer;
    }

    /** Tables by name, as the engine tells them apart; of two that are one to it, the first. */
    Map<String, Table> byName(List<Table> tables) {
        Map<String, Table> named = new HashMap<>(tables.size() * 2);
        tables.forEach(table -> named.putIfAbsent(folded(table.label()), table));
        return named;
    }

    /** Whether the engine thought of a name itself. */
    public boolean madeUp(String name) {
        return name.isEmpty() || catalog.isMadeUp(name);
    }

    /** Whether the engine keeps comments. */
    public boolean commented() {
        return dialect.comments() != Comments.NONE;
    }

    /** A condition in ISO words, without what the engine puts in for words that mean the same there. */
    private static Expression neutral(Expression expression, Dialect dialect) {
        return dialect.standard(expression).worded(CatalogWording.of(dialect.target())::neutral);
    }

    /** The same for the text of a view. */
    static String neutral(String text, Dialect dialect) {
        return CatalogWording.of(dialect.target()).neutral(dialect.standard(text));
    }

    /** What a condition means. */
    public String sense(Expression condition) {
        return senses.computeIfAbsent(condition, said -> {
            Expression neutral = neutral(said, dialect);
            return catalog.numericTruth() ? neutral.canonicalOfNumericTruth() : neutral.canonical();
        });
    }

    /** What a default means; nothing for one that is null. */
    public String defaultSense(Column column) {
        if (column.defaultValue().isEmpty()) {
            return "";
        }
        Expression value = IsoNormalizer.defaultValue(column.defaultValue().get(), column.type(), dialect);
        String neutral = value.text();
        boolean numeric = column.type() instanceof SqlType.IntegerType || column.type() instanceof SqlType.DecimalType
                || column.type() instanceof SqlType.FloatType;
        String sense = (numeric ? value.worded(words -> Literals.number(words).orElse(words)) : value).canonical();
        sense = catalog.defaultMeaning(neutral.strip(), sense, column.type());
        List<String> sequence = Functions.drawnFrom(value);
        return sense.equals("null") ? "" : sequence.isEmpty() ? sense : "nextval " + folded(nameOf(sequence));
    }

    /** A sequence without the usual schema, or without the database, which is what some call it. */
    private String nameOf(List<String> sequence) {
        boolean usual = sequence.size() > 1 && (catalog.qualifiesSequences()
                || sequence.getFirst().equalsIgnoreCase("public"));
        return String.join(".", usual ? sequence.subList(1, sequence.size()) : sequence);
    }

    /** A type as it is spelled. */
    public String type(SqlType type) {
        boolean folded = type instanceof UserType user && dialect.foldsUp()
                && user.name().equals(user.name().toUpperCase(Locale.ROOT));
        return folded ? writer.type(new UserType(((UserType) type).namespace(),
                ((UserType) type).name().toLowerCase(Locale.ROOT))) : writer.type(type);
    }

    /** How a column numbers itself, as far as the catalog tells; empty if it does not. */
    public String identity(Column column) {
        if (column.identity() == Identity.NONE) {
            return "";
        }
        String numbers = catalog.tellsNumbering()
                ? column.numbering().map(own -> " from " + own.start() + " by " + own.step()).orElse("") : "";
        return (column.identity() == Identity.ALWAYS ? "always numbered" : "numbered by default") + numbers;
    }

    /** What a column is computed from; empty if from nothing. */
    public String computed(Column column) {
        return column.generated()
                .map(text -> "as (" + text + ")" + (column.details().virtual() ? " at each reading" : "")).orElse("");
    }

    /** What that means. */
    public String computedSense(Column column) {
        return column.generated().map(said -> sense(said.worded(words -> uncast(column, words)))
                + column.details().virtual()).orElse("");
    }

    /** A computed column that is defined without its type says it by a cast around its expression. */
    private String uncast(Column column, String text) {
        String end = " as " + type(column.type()) + ")";
        String lower = text.toLowerCase(Locale.ROOT);
        return !dialect.typesComputedColumns() && lower.startsWith("cast(") && lower.endsWith(end)
                && text.length() > "cast(".length() + end.length()
                ? text.substring("cast(".length(), text.length() - end.length()) : text;
    }

    /** The wording of a check. */
    public String check(CheckRule check) {
        return "check (" + check.condition() + ")";
    }

    /** A word and columns in brackets. */
    public String columns(String word, List<String> columns) {
        return word + " " + writer.names(columns);
    }

    /** The wording of a primary key. */
    public String primaryKey(PrimaryKey key) {
        return "primary key " + writer.columns(key);
    }

    /** How many signs of each column of a key count, in the order of its columns; nothing if all do. */
    public String prefixes(PrimaryKey key) {
        return key.prefixes().isEmpty() ? "" : key.columns().stream()
                .map(column -> String.valueOf(key.prefixes().getOrDefault(column, 0))).toList().toString();
    }

    /** The wording of an index. */
    public String index(TableIndex index) {
        return (index.excludes() ? "exclusion constraint on " : index.unique() ? "unique index on " : "index on ")
                + index.columns().stream()
                        .map(part -> (part.expression() ? "(" + part.name() + ")" : dialect.name(part.name()))
                                + (part.prefix().isPresent() ? "(" + part.prefix().getAsInt() + ")" : "")
                                + (part.descending() ? " desc" : "")
                                + (part.ordering().isDefault() ? "" : " " + part.ordering().text())
                                + (part.operator().isEmpty() ? "" : " with " + part.operator()))
                        .collect(Collectors.joining(", ", "(", ")"))
                + (index.method().isEmpty() ? "" : " using " + index.method())
                + (index.included().isEmpty() ? "" : " including " + String.join(", ", index.included()))
                + index.predicate().map(text -> " where " + text).orElse("");
    }

    /** What an index is, its name aside. */
    public String indexSense(TableIndex index) {
        return index.unique() + index.columns().stream().map(this::indexed).collect(Collectors.joining(", ", "(", ")"))
                + index.method() + index.predicate().map(this::sense).orElse("")
                + (index.included().isEmpty() ? "" : "include " + folded(index.included()));
    }

    private String indexed(IndexColumn part) {
        return part.computed().map(this::sense).orElseGet(() -> folded(part.column())) + part.prefix()
                + part.descending() + part.ordering().text() + part.operator();
    }

    /** The wording of a reference. */
    public String reference(ForeignKey key) {
        return "foreign key " + writer.names(key.columns()) + " references "
                + writer.name(key.referenced())
                + (key.referencedColumns().isEmpty() ? "" : " " + writer.names(key.referencedColumns())) + actions(key);
    }

    private static String actions(ForeignKey key) {
        String deferral = switch (key.deferral()) {
            case NOT_DEFERRABLE -> "";
            case INITIALLY_IMMEDIATE -> " deferrable";
            case INITIALLY_DEFERRED -> " deferrable initially deferred";
        };
        return (key.onDelete() == entaxis.core.schema.ReferentialAction.NO_ACTION ? ""
                : " on delete " + key.onDelete().sql().toLowerCase(Locale.ROOT))
                + (key.onUpdate() == entaxis.core.schema.ReferentialAction.NO_ACTION ? ""
                        : " on update " + key.onUpdate().sql().toLowerCase(Locale.ROOT))
                + deferral;
    }

    /** What a reference is, its actions aside. */
    public String referenceSense(ForeignKey key, List<String> referencedColumns) {
        return folded(key.columns()) + ">" + folded(key.referenced().label())
                + folded(key.referencedColumns().isEmpty() ? referencedColumns : key.referencedColumns());
    }

    /** What a reference does, and when it is checked. */
    public String referenceActions(ForeignKey key) {
        return actions(key);
    }

    /** The unique keys of a table as the engine tells them apart. */
    public List<UniqueKey> uniques(Table table) {
        if (!catalog.mergesEqualKeys() || table.uniqueKeys().isEmpty()) {
            return table.uniqueKeys();
        }
        Set<List<String>> seen = new HashSet<>(List.of(folded(table.keyColumns())));
        return table.uniqueKeys().stream().filter(key -> seen.add(folded(key.columns()))).toList();
    }

    /** The wording of a type's definition. */
    public String wording(TypeDefinition type) {
        return switch (type) {
            case DomainDefinition domain ->
                    "domain " + type(domain.base()) + domain.defaultValue().map(text -> " default " + text).orElse("")
                    + domain.checkOfAll().map(check -> " check (" + check.condition() + ")").orElse("");
            case EnumDefinition enumeration ->
                    "values " + enumeration.values().stream().map(dialect::literal).collect(Collectors.joining(", "));
            case StructureDefinition structure -> "fields " + structure.fields().stream()
                    .map(field -> field.name() + " " + type(field.type())).collect(Collectors.joining(", "));
        };
    }

    /** What a type's definition means. */
    public String sense(TypeDefinition type) {
        return type instanceof DomainDefinition domain ? "domain " + type(domain.base())
                + domain.defaultValue()
                        .map(value -> " " + IsoNormalizer.defaultValue(value, domain.base(), dialect).canonical())
                        .orElse("")
                + "|" + domain.checkOfAll().map(check -> sense(check.condition())).orElse("")
                : type instanceof EnumDefinition ? wording(type) : folded(wording(type));
    }
}
