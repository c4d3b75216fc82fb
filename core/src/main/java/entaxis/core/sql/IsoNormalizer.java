package entaxis.core.sql;

import entaxis.core.design.SqlName;
import entaxis.core.expression.CanonicalForm;
import entaxis.core.expression.CastOperator;
import entaxis.core.expression.Expression;
import entaxis.core.expression.Term;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Sequence;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.Table;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.FieldDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.UniqueKey;
import entaxis.core.type.SqlType.BinaryType;
import entaxis.core.type.SqlType.BooleanType;
import entaxis.core.type.SqlType.CharacterType;
import entaxis.core.type.SqlType.NativeType;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;

/**
 * Turns a schema in an engine's own words into one in ISO words, so that any other engine can take it. Linear in the
 * size of the schema.
 */
public final class IsoNormalizer {
    private final Dialect dialect;

    private IsoNormalizer(Dialect dialect) {
        this.dialect = dialect;
    }

    /** The schema of an engine in ISO words; names that the engine folds are in small letters. */
    public static Schema of(Schema schema, Dialect dialect) {
        return new IsoNormalizer(dialect).schema(schema);
    }

    /** The names that the text of a view, routine or trigger speaks of, in small letters. */
    public static Set<String> namesOfProgram(String text, Dialect dialect) {
        return CanonicalForm.names(dialect.standard(dialect.withStandardTexts(text)));
    }

    /** The columns that an expression of an engine speaks of, in small letters. */
    public static Set<String> names(Expression expression, Dialect dialect) {
        return dialect.standard(expression).columns();
    }

    /** A default of an engine in ISO words; the type is that of its column, as the engine holds it. */
    public static Expression defaultValue(Expression value, SqlType held, Dialect dialect) {
        return new IsoNormalizer(dialect).defaultValue(value, held instanceof UserType ? held : dialect.neutral(held));
    }

    private Schema schema(Schema schema) {
        List<TypeDefinition> types = schema.types().stream().map(this::type).toList();
        List<Sequence> sequences = schema.sequences().stream()
                .map(own -> own.named(name(own.name()))).toList();
        List<Table> tables = schema.tables().stream().map(this::table).toList();
        Map<QualifiedName, Table> named = new HashMap<>();
        tables.forEach(table -> named.putIfAbsent(identity(table.qualifiedName()), table));
        return new Schema(types, sequences, tables.stream().map(table -> withNumbers(table, named)).toList(),
                schema.programs());
    }

    private static QualifiedName identity(QualifiedName name) {
        return name.named(name.name().toLowerCase(Locale.ROOT));
    }

    /** Truth values that refer to numbers are numbers too: MySQL has one type for both. */
    private static Table withNumbers(Table table, Map<QualifiedName, Table> named) {
        Map<String, SqlType> numbers = new HashMap<>();
        for (ForeignKey key : table.foreignKeys()) {
            Optional<Table> other = Optional.ofNullable(named.get(identity(key.referenced())));
            for (int i = 0; i < Math.min(key.columns().size(), key.referencedColumns().size()); i++) {
                String column = key.columns().get(i);
                String referenced = key.referencedColumns().get(i);
                other.flatMap(parent -> parent.column(referenced)).map(Column::type)
                        .filter(type -> type instanceof SqlType.IntegerType)
                        .ifPresent(type -> numbers.put(column, type));
            }
        }
        boolean differs = table.columns().stream()
                .anyMatch(column -> column.type() instanceof BooleanType && numbers.containsKey(column.name()));
        return !differs ? table : table.withColumns(table.columns().stream()
                .map(column -> column.type() instanceof BooleanType
                        ? column.withType(numbers.getOrDefault(column.name(), column.type())) : column).toList());
    }

    /** A name in small letters where the engine folds it; one of mixed letters was quoted and stays. */
    private String name(String name) {
        boolean oneCase = name.equals(name.toUpperCase(Locale.ROOT));
        return dialect.foldsUp() && oneCase ? name.toLowerCase(Locale.ROOT) : name;
    }

    /** The same with the schema; the default one goes without saying. */
    private QualifiedName name(QualifiedName name) {
        return new QualifiedName(home(name.namespace()), name(name.name()));
    }

    private String home(String namespace) {
        return QualifiedName.isDefaultSchema(namespace) ? "" : name(namespace);
    }

    private List<String> names(List<String> names) {
        return names.stream().map(this::name).toList();
    }

    private TypeDefinition type(TypeDefinition type) {
        return switch (type) {
            case DomainDefinition domain -> domain.named(name(domain.qualifiedName())).over(type(domain.base()))
                    .withDefault(domain.defaultValue().map(value -> defaultValue(value, domain.base())))
                    .withCheck(domain.check().map(check -> check.named(name(check.name())).with(condition(
                            check.condition(),
                            name -> name.equalsIgnoreCase("value") && domain.base() instanceof CharacterType))));
            case EnumDefinition enumeration -> enumeration.named(name(enumeration.qualifiedName()));
            case StructureDefinition structure -> structure.named(name(structure.qualifiedName())).with(
                    structure.fields().stream()
                            .map(field -> new FieldDefinition(name(field.name()), type(field.type()))).toList());
        };
    }

    private SqlType type(SqlType type) {
        return switch (type) {
            case UserType(String namespace, String name) -> new UserType(home(namespace), name(name));
            case SqlType.ArrayType(SqlType element) -> new SqlType.ArrayType(type(element));
            case NativeType(String spelled) when spelled.isEmpty() ->
                    dialect.columnsWithoutType() ? dialect.neutral(type) : SqlType.largeText();
            default -> dialect.neutral(type);
        };
    }

    private Table table(Table table) {
        Optional<PrimaryKey> key = table.primaryKey()
                .map(own -> own.named(own.name().equals("PRIMARY") ? "" : name(own.name())).renamed(this::name));
        Map<String, String> spelled = spelled(table);
        UnaryOperator<Expression> condition = one -> condition(one, texts(table)).renamed(spelled);
        List<Column> columns = table.columns().stream().map(column -> column(table, column))
                .map(column -> column.withGenerated(
                        column.generated().map(one -> one.renamed(spelled)))).toList();
        List<UniqueKey> uniques =
                table.uniqueKeys().stream().map(own -> new UniqueKey(name(own.name()), names(own.columns()))).toList();
        List<CheckRule> checks = table.checks().stream()
                .map(own -> own.named(name(own.name())).with(condition.apply(own.condition()))).toList();
        List<ForeignKey> keys = table.foreignKeys().stream()
                .map(own -> own.named(name(own.name())).over(names(own.columns()))
                        .to(name(own.referenced()), names(own.referencedColumns())))
                .toList();
        List<TableIndex> indexes = table.indexes().stream().filter(index -> !index.excludes())
                .map(own -> new TableIndex(name(own.name()), own.unique(),
                        own.columns().stream().map(part -> part.worded(this::name, condition)).toList(),
                        "", own.predicate().map(condition), names(own.included())))
                .toList();
        return table.named(name(table.qualifiedName())).withColumns(columns).withKeys(key, uniques).withChecks(checks)
                .referring(keys).withIndexes(indexes)
                .withHierarchy(table.hierarchy().map(own -> own.renamed(this::name).withKey(this::name, condition)));
    }

    /**
     * Columns with capitals in quotes, by their names in small letters, where the engine takes any case: conditions may
     * spell them otherwise.
     */
    private Map<String, String> spelled(Table table) {
        boolean ignoresCase = dialect.compared("A").equals(dialect.compared("a")) && !dialect.foldsUp();
        Map<String, String> spelled = new HashMap<>();
        table.columns().stream().map(Column::name)
                .filter(name -> ignoresCase && !name.equals(name.toLowerCase(Locale.ROOT)))
                .forEach(name -> spelled.put(name.toLowerCase(Locale.ROOT), SqlName.quoted(name)));
        return spelled;
    }

    private Column column(Table table, Column column) {
        SqlType type = column.generated().isPresent() && column.type() instanceof NativeType(String spelled)
                && spelled.isEmpty() && !dialect.columnsWithoutType()
                ? ComputedType.of(column.generated().get(), table, this::type) : type(column.type());
        return column.named(name(column.name())).withType(type)
                .withDefault(column.defaultValue().filter(value -> !bitsAsBytes(column.type(), type))
                        .map(value -> defaultValue(value, type)))
                .withGenerated(column.generated().map(one -> condition(one, texts(table))))
                .with(column.details().withCollation(Optional.empty()));
    }

    /** Whether a column of bits becomes one of bytes, which is nearest: its default does not fit then. */
    private static boolean bitsAsBytes(SqlType before, SqlType now) {
        return now instanceof BinaryType && before instanceof NativeType(String spelled)
                && ForeignTypes.among(List.of("bit", "bit varying", "varbit"), spelled);
    }

    /** A default in ISO words. */
    private Expression defaultValue(Expression value, SqlType type) {
        Expression bare = value.withoutBrackets();
        if (dialect.isNow(bare)) {
            return Expression.of("current_timestamp");
        }
        if (Functions.kind(bare) == Functions.Kind.RANDOM_UUID) {
            return Expression.of("gen_random_uuid()");
        }
        Optional<Boolean> truth = type instanceof BooleanType ? truth(bare) : Optional.empty();
        return truth.map(known -> Expression.of(known.toString())).orElseGet(() -> condition(bare, name -> false));
    }

    /** What a constant means as a truth value: a digit, also in quotes or as a bit, or a word of the engine. */
    private Optional<Boolean> truth(Expression constant) {
        Optional<String> digit = constant.tree().filter(term -> dialect.truthAsNumbers())
                .map(term -> term.isCall("b") ? term.first() : term).map(Term::word);
        return digit.filter(word -> word.equals("1") || word.equals("0")).map(word -> word.equals("1"))
                .or(() -> dialect.truth(constant.text()));
    }

    /** A condition in ISO words; the predicate tells columns that hold texts. */
    private Expression condition(Expression condition, Predicate<String> texts) {
        Expression standard = dialect.standard(condition);
        return dialect.castOperator() ? CastOperator.asIso(standard, texts) : standard;
    }

    private static Predicate<String> texts(Table table) {
        return name -> table.columns().stream().anyMatch(
                column -> column.type() instanceof CharacterType && column.name().equalsIgnoreCase(name));
    }
}
