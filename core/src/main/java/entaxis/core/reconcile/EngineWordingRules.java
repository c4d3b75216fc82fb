package entaxis.core.reconcile;

import entaxis.core.design.Attribute.Identity;
import entaxis.core.design.Target;
import entaxis.core.expression.CanonicalForm;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.TableWriter;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** How one engine words things, and what its wordings mean: two that mean the same are no difference. */
public final class EngineWordingRules {
    private static final Pattern NEXT =
            Pattern.compile("(?i)(?:next value for|nextval)\\s*\\(?\\s*(?:\"?public\"?\\.)?\"?([\\w.$-]+)\"?\\s*\\)?");
    /** MariaDB names the database too, which is what others call the usual schema. */
    private static final Pattern NEXT_ANYWHERE =
            Pattern.compile("(?i)(?:next value for|nextval)\\s*\\(?\\s*(?:\"?[\\w$]+\"?\\.)?\"?([\\w$-]+)\"?\\s*\\)?");
    private static final Pattern TRUTH =
            Pattern.compile("(?i)'\\s*(t|tr|tru|true|y|ye|yes|on|1|f|fa|fal|fals|false|n|no|of|off|0)\\s*'");
    private static final Pattern TRUE = Pattern.compile("(?i)'\\s*(t|tr|tru|true|y|ye|yes|on|1)\\s*'");
    private static final Pattern BITS = Pattern.compile("(?i)b('[01]*')");
    private static final Pattern LENGTH = Pattern.compile("(?i)\\blength\\s*\\(");
    private static final Pattern OCTETS = Pattern.compile("(?i)\\boctet_length\\s*\\(");
    private static final Pattern NUMBER_AS_TEXT = Pattern.compile("'(-?[0-9]+(\\.[0-9]+)?)'");
    private static final Map<Target,
            Pattern> MADE_UP = Map.of(Target.POSTGRESQL, Pattern.compile(".*_(pkey|key|fkey|check)[0-9]*"), Target.H2,
                    Pattern.compile("CONSTRAINT_(INDEX_)?[0-9A-F]+(_[0-9A-F]+)*|PRIMARY_KEY_[0-9A-F_]+",
                            Pattern.CASE_INSENSITIVE),
                    Target.ORACLE, Pattern.compile("SYS_C[0-9]+", Pattern.CASE_INSENSITIVE), Target.SQLSERVER,
                    Pattern.compile("(PK|UQ|FK|CK|DF)__.*__[0-9A-F]{8,16}", Pattern.CASE_INSENSITIVE),
                    Target.SQLITE, Pattern.compile("sqlite_autoindex_.*"), Target.MARIADB,
                    Pattern.compile("CONSTRAINT_[0-9]+|.*_ibfk_[0-9]+"), Target.MYSQL,
                    Pattern.compile(".*_(ibfk|chk)_[0-9]+"));
    private static final Set<Target> NUMBERING_KNOWN =
            EnumSet.of(Target.POSTGRESQL, Target.H2, Target.SQLSERVER, Target.ORACLE, Target.ISO);

    private final Dialect dialect;
    private final TableWriter writer;
    private final boolean folds;
    private final Map<String, String> senses = new ConcurrentHashMap<>();

    /** The wordings of an engine. */
    public EngineWordingRules(Dialect dialect) {
        this.dialect = dialect;
        this.writer = new TableWriter(dialect, ScriptOptions.DEFAULT);
        this.folds = dialect.target() != Target.POSTGRESQL && dialect.target() != Target.ISO;
    }

    /** Whether it is one of the two engines that share a manual. */
    public boolean mySql() {
        return dialect.target() == Target.MYSQL || dialect.target() == Target.MARIADB;
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
        tables.forEach(table -> named.putIfAbsent(folded(TableNames.of(table)), table));
        return named;
    }

    /** Whether the engine thought of a name itself. */
    public boolean madeUp(String name) {
        return name.isEmpty()
                || MADE_UP.containsKey(dialect.target()) && MADE_UP.get(dialect.target()).matcher(name).matches();
    }

    /** Whether the engine keeps comments. */
    public boolean commented() {
        return dialect.target() != Target.SQLITE && dialect.target() != Target.ISO;
    }

    /** Whether the engine can put columns into another order. */
    public boolean ordersColumns() {
        return mySql() || dialect.target() == Target.SQLITE;
    }

    /**
     * A condition in ISO words. MariaDB keeps a length as one in octets, H2 as one in characters, which it is there
     * (MariaDB and H2 manuals, LENGTH).
     */
    static String neutral(String text, Dialect dialect) {
        String neutral = IsoNormalizer.condition(text, dialect);
        return switch (dialect.target()) {
            case MARIADB, MYSQL -> OCTETS.matcher(neutral).replaceAll("length(");
            case H2 -> LENGTH.matcher(neutral).replaceAll("char_length(");
            default -> neutral;
        };
    }

    /** What a condition means. */
    public String sense(String condition) {
        return senses.computeIfAbsent(condition, text -> {
            String neutral = neutral(text, dialect);
            return mySql() ? CanonicalForm.ofNumericTruth(neutral) : CanonicalForm.of(neutral);
        });
    }

    /** What a default means; nothing for one that is null. */
    public String defaultSense(Column column) {
        if (column.defaultValue().isEmpty()) {
            return "";
        }
        String neutral = IsoNormalizer.defaultValue(column.defaultValue().get(), column.type(), dialect);
        boolean numeric = column.type() instanceof SqlType.IntegerType || column.type() instanceof SqlType.DecimalType
                || column.type() instanceof SqlType.FloatType;
        String sense = CanonicalForm.of(numeric ? NUMBER_AS_TEXT.matcher(neutral.strip()).replaceFirst("$1") : neutral);
        sense = dialect.target() == Target.POSTGRESQL ? postgreSql(neutral.strip(), sense, column.type()) : sense;
        sense = mySql() ? sense.replaceAll("^true$", "1").replaceAll("^false$", "0") : sense;
        sense = mySql() && sense.equals("0") ? zeroMoment(column.type()).map(CanonicalForm::of).orElse(sense) : sense;
        Matcher next = (mySql() ? NEXT_ANYWHERE : NEXT).matcher(neutral);
        return sense.equals("null") ? "" : next.matches() ? "nextval " + folded(next.group(1)) : sense;
    }

    /** MySQL manual, “Date and Time Data Types”: what 0 stands for. */
    private static Optional<String> zeroMoment(SqlType type) {
        return switch (type) {
            case SqlType.DateType day -> Optional.of("'0000-00-00'");
            case SqlType.TimestampType moment -> Optional.of("'0000-00-00 00:00:00'");
            default -> Optional.empty();
        };
    }

    /** PostgreSQL manual, 8.6 and 4.1.2.5: texts that stand for a truth value; a row of bits is kept as a text. */
    private static String postgreSql(String neutral, String sense, SqlType type) {
        if (type instanceof SqlType.BooleanType && TRUTH.matcher(neutral).matches()) {
            return TRUE.matcher(neutral).matches() ? "true" : "false";
        }
        Matcher bits = BITS.matcher(neutral);
        return bits.matches() ? CanonicalForm.of(bits.group(1)) : sense;
    }

    /** A type as it is spelled. */
    public String type(SqlType type) {
        boolean folded = type instanceof UserType(String name) && dialect.foldsUp()
                && name.equals(name.toUpperCase(Locale.ROOT));
        return folded ? writer.type(new UserType(((UserType) type).name().toLowerCase(Locale.ROOT)))
                : writer.type(type);
    }

    /** How a column numbers itself, as far as the catalog tells; empty if it does not. */
    public String identity(Column column) {
        if (column.identity() == Identity.NONE) {
            return "";
        }
        String numbers = NUMBERING_KNOWN.contains(dialect.target())
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
        return column.generated().map(text -> sense(uncast(column, text)) + column.details().virtual()).orElse("");
    }

    /**
     * SQL Server documentation, CREATE TABLE: a computed column has no type beside its expression, so what says nothing
     * but the type is a cast around it.
     */
    private String uncast(Column column, String text) {
        String end = " as " + type(column.type()) + ")";
        String lower = text.toLowerCase(Locale.ROOT);
        return dialect.target() == Target.SQLSERVER && lower.startsWith("cast(") && lower.endsWith(end)
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

    /** The wording of an index. */
    public String index(TableIndex index) {
        return (index.unique() ? "unique index on " : "index on ")
                + index.columns().stream()
                        .map(part -> (part.expression() ? "(" + part.name() + ")" : dialect.name(part.name()))
                                + (part.prefix().isPresent() ? "(" + part.prefix().getAsInt() + ")" : "")
                                + (part.descending() ? " desc" : ""))
                        .collect(Collectors.joining(", ", "(", ")"))
                + (index.method().isEmpty() ? "" : " using " + index.method())
                + index.predicate().map(text -> " where " + text).orElse("");
    }

    /** What an index is, its name aside. */
    public String indexSense(TableIndex index) {
        return index.unique() + index.columns().stream().map(this::indexed).collect(Collectors.joining(", ", "(", ")"))
                + index.method() + index.predicate().map(this::sense).orElse("");
    }

    private String indexed(IndexColumn part) {
        return (part.expression() ? sense(part.name()) : folded(part.name())) + part.prefix() + part.descending();
    }

    /** The wording of a reference. */
    public String reference(ForeignKey key) {
        return "foreign key " + writer.names(key.columns()) + " references "
                + writer.qualified(key.referencedNamespace(), key.referencedTable())
                + (key.referencedColumns().isEmpty() ? "" : " " + writer.names(key.referencedColumns())) + actions(key);
    }

    private static String actions(ForeignKey key) {
        String deferral = switch (key.deferral()) {
            case NOT_DEFERRABLE -> "";
            case INITIALLY_IMMEDIATE -> " deferrable";
            case INITIALLY_DEFERRED -> " deferrable initially deferred";
        };
        return (key.onDelete() == entaxis.core.design.ReferentialAction.NO_ACTION ? ""
                : " on delete " + key.onDelete().sql().toLowerCase(Locale.ROOT))
                + (key.onUpdate() == entaxis.core.design.ReferentialAction.NO_ACTION ? ""
                        : " on update " + key.onUpdate().sql().toLowerCase(Locale.ROOT))
                + deferral;
    }

    /** What a reference is, its actions aside. */
    public String referenceSense(ForeignKey key, List<String> referencedColumns) {
        return folded(key.columns()) + ">" + folded(TableNames.of(key.referencedNamespace(), key.referencedTable()))
                + folded(key.referencedColumns().isEmpty() ? referencedColumns : key.referencedColumns());
    }

    /** What a reference does, and when it is checked. */
    public String referenceActions(ForeignKey key) {
        return actions(key);
    }

    /**
     * The unique keys of a table as the engine tells them apart: SQLite has one index for several on the same columns,
     * and none beside that of the primary key.
     */
    public List<UniqueKey> uniques(Table table) {
        if (dialect.target() != Target.SQLITE || table.uniqueKeys().isEmpty()) {
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
                    + domain.check().map(check -> " check (" + check.condition() + ")").orElse("");
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
                        .map(text -> " " + CanonicalForm.of(IsoNormalizer.defaultValue(text, domain.base(), dialect)))
                        .orElse("")
                + "|" + domain.check().map(check -> sense(check.condition())).orElse("")
                : type instanceof EnumDefinition ? wording(type) : folded(wording(type));
    }
}
