package entaxis.exchange;

import entaxis.core.expression.Expression;
import entaxis.core.reading.Reading;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Hierarchy;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramHead.TriggerHead;
import entaxis.core.schema.ProgramHead;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.sql.AdaptationNote;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.HierarchyWriter;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.TableWriter;
import entaxis.core.type.SqlType.UserType;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** What was read of a script, as JSON. What a script does not say is {@code null}. */
public final class ReadingJson {
    private static final JsonMapper MAPPER = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private ReadingJson() { }

    /** Tables with their columns, keys and indexes, and what was stepped over or not understood. */
    public static String of(Reading reading) {
        Dialect dialect = Dialect.of(reading.engine());
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("tables", reading.schema().tables().stream().map(table -> table(table, dialect)).toList());
        all.put("sequences", reading.schema().sequences().stream()
                .map(sequence -> Map.of("schema", sequence.namespace(), "name", sequence.name())).toList());
        all.put("types",
                reading.schema().types().stream().map(type -> Map.of("name", type.name(), "kind",
                        type.getClass().getSimpleName().replace("Definition", "").toLowerCase(java.util.Locale.ROOT)))
                        .toList());
        all.put("programs", reading.schema().programs().stream().map(program -> program(program, dialect)).toList());
        all.put("steppedOver", reading.steppedOver().stream().map(passed -> {
            Map<String, Object> one = new LinkedHashMap<>();
            put(one, "file", passed.file());
            one.put("line", passed.line());
            one.put("kind", passed.kind());
            return one;
        }).toList());
        all.put("notUnderstood", reading.notUnderstood().stream().map(missed -> {
            Map<String, Object> one = new LinkedHashMap<>();
            put(one, "file", missed.file());
            one.put("line", missed.line());
            one.put("column", missed.column());
            one.put("text", missed.text());
            one.put("reason", missed.reason());
            return one;
        }).toList());
        return MAPPER.writeValueAsString(all);
    }

    /** What an engine does not take, as JSON. */
    public static String findings(List<AdaptationNote> findings) {
        return MAPPER.writeValueAsString(findings.stream().map(finding -> {
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("kind", finding.kind().title());
            one.put("table", named(finding.table()));
            one.put("element", named(finding.element()));
            one.put("words", finding.words());
            return one;
        }).toList());
    }

    private static Map<String, Object> table(Table table, Dialect dialect) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("schema", named(table.namespace()));
        one.put("name", table.name());
        one.put("columns", table.columns().stream().map(column -> column(column, dialect)).toList());
        one.put("primaryKey", table.primaryKey().map(key -> key(key.name(), key.columns())).orElse(null));
        one.put("uniques", table.uniqueKeys().stream().map(key -> key(key.name(), key.columns())).toList());
        one.put("foreignKeys", table.foreignKeys().stream().map(ReadingJson::foreignKey).toList());
        one.put("indexes", table.indexes().stream().map(ReadingJson::index).toList());
        one.put("checks", table.checks().stream().map(check -> {
            Map<String, Object> rule = new LinkedHashMap<>();
            rule.put("name", named(check.name()));
            rule.put("condition", check.condition().text());
            return rule;
        }).toList());
        hierarchy(table.knownHierarchy(), dialect, one);
        put(one, "comment", table.comment());
        return one;
    }

    /** What a table inherits from, which rows of it a partition holds, and by what its own rows are split. */
    private static void hierarchy(Hierarchy hierarchy, Dialect dialect, Map<String, Object> table) {
        HierarchyWriter writer = new TableWriter(dialect, ScriptOptions.DEFAULT).hierarchies();
        List<String> parents = hierarchy.parents().stream().map(QualifiedName::label).toList();
        if (hierarchy.isPartition()) {
            table.put("partitionOf", parents.getFirst());
            hierarchy.bound().ifPresent(bound -> table.put("bound", writer.bound(bound)));
        } else if (!parents.isEmpty()) {
            table.put("inherits", parents);
        }
        hierarchy.partitioning().ifPresent(by -> table.put("partitionedBy", writer.partitioning(by)));
    }

    private static Map<String, Object> column(Column column, Dialect dialect) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("name", column.name());
        one.put("type", column.type() instanceof UserType type ? type.label() : dialect.type(column.type()));
        one.put("nullable", !column.required());
        one.put("default", column.defaultValue().map(Expression::text).orElse(null));
        one.put("identity", column.identity() != Identity.NONE);
        column.generated().ifPresent(expression -> one.put("generated", expression.text()));
        put(one, "comment", column.comment());
        return one;
    }

    private static Map<String, Object> key(String name, List<String> columns) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("name", named(name));
        one.put("columns", columns);
        return one;
    }

    private static Map<String, Object> foreignKey(ForeignKey key) {
        Map<String, Object> one = key(key.name(), key.columns());
        if (!key.referenced().namespace().isEmpty()) {
            one.put("refSchema", key.referenced().namespace());
        }
        one.put("refTable", key.referencedTable());
        one.put("refColumns", key.referencedColumns());
        one.put("onDelete", key.onDelete().sql());
        one.put("onUpdate", key.onUpdate().sql());
        return one;
    }

    private static Map<String, Object> index(TableIndex index) {
        Map<String, Object> one =
                key(index.name(), index.columns().stream().map(TableIndex.IndexColumn::name).toList());
        List<String> expressions = index.columns().stream().filter(TableIndex.IndexColumn::expression)
                .map(TableIndex.IndexColumn::name).toList();
        if (!expressions.isEmpty()) {
            one.put("expressions", expressions);
        }
        Map<String, Integer> prefixes = new LinkedHashMap<>();
        index.columns().forEach(column -> column.prefix().ifPresent(length -> prefixes.put(column.name(), length)));
        if (!prefixes.isEmpty()) {
            one.put("prefixes", prefixes);
        }
        one.put("unique", index.unique());
        put(one, "method", index.method());
        index.predicate().ifPresent(rows -> one.put("where", rows.text()));
        return one;
    }

    private static String named(String name) {
        return Optional.of(name).filter(text -> !text.isEmpty()).orElse(null);
    }

    private static void put(Map<String, Object> one, String key, String text) {
        if (!text.isEmpty()) {
            one.put(key, text);
        }
    }

    /** A view, routine or trigger; of a trigger also its table, and when it fires. */
    private static Map<String, Object> program(Program program, Dialect dialect) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("kind", program.kind().word());
        one.put("name", program.name());
        ProgramHead head = program.head(dialect::unquoted);
        head.belongsTo().ifPresent(table -> one.put("table", table.label()));
        if (head instanceof TriggerHead trigger) {
            one.put("fires", trigger.words());
        }
        return one;
    }
}
