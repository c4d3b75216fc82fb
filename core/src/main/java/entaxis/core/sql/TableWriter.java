package entaxis.core.sql;

import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Identity;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.TableFeatures.Comments;
import entaxis.core.sql.TableFeatures.Numbered;
import entaxis.core.type.SqlType.NativeType;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Writes the definitions of a table and of what belongs to it, as one engine wants them. The table is one that the
 * engine can hold.
 */
public final class TableWriter {
    /** Kinds of index that are named in front of the word (MySQL manual, CREATE INDEX). */
    private static final Set<String> LEADING = Set.of("fulltext", "spatial");
    private final Dialect dialect;
    private final ScriptOptions options;
    private final Spelling spelling;
    private final HierarchyWriter hierarchies;

    /** A writer for an engine. */
    public TableWriter(Dialect dialect, ScriptOptions options) {
        this.dialect = dialect;
        this.options = options;
        this.spelling = new Spelling(dialect, options);
        this.hierarchies = new HierarchyWriter(dialect, spelling, this::indexed);
    }

    /** Writes what a table has to do with others of its form. */
    public HierarchyWriter hierarchies() {
        return hierarchies;
    }

    /** Whether a column is the primary key, which it says of itself because it numbers the rows. */
    private boolean numbersKey(Column column) {
        return dialect.numbered() == Numbered.PRIMARY_KEY && column.identity() != Identity.NONE;
    }

    /**
     * CREATE TABLE, with those foreign keys that stand inside. Of a table that inherits from others, what it has of
     * them has been left out.
     */
    public String create(Table table, List<ForeignKey> inside) {
        List<String> notes = new ArrayList<>(table.columns().size());
        boolean rowNumbered = table.columns().stream().anyMatch(this::numbersKey);
        List<String> lines = table.knownHierarchy().isPartition() ? refinements(table) : columnLines(table, notes);
        if (!rowNumbered) {
            table.primaryKey().ifPresent(key -> lines.add(primaryKey(key)));
        }
        table.uniqueKeys().forEach(key -> lines.add(unique(key)));
        table.checks().forEach(check -> lines.add(check(check)));
        numbering(table).ifPresent(index -> lines.add(indexInside(index)));
        inside.forEach(key -> lines.add(spelling.constraint(key.name()) + reference(table, key)));
        StringBuilder text = new StringBuilder();
        if (dialect.comments() == Comments.NONE && options.comments() && !table.comment().isEmpty()) {
            text.append(noted(table.comment())).append('\n');
        }
        text.append("CREATE TABLE ")
                .append(options.onlyIfAbsent() && dialect.createsTableIfAbsent() ? "IF NOT EXISTS " : "")
                .append(spelling.name(table)).append(hierarchies.head(table.knownHierarchy()));
        if (!lines.isEmpty()) {
            inBrackets(lines, notes, text);
        } else if (!table.knownHierarchy().isPartition()) {
            text.append(" ()");
        }
        return text.append(hierarchies.tail(table.knownHierarchy())).append(tableOptions(table)).toString();
    }

    private static void inBrackets(List<String> lines, List<String> notes, StringBuilder text) {
        text.append(" (\n");
        for (int i = 0; i < lines.size(); i++) {
            text.append("    ").append(lines.get(i)).append(i + 1 < lines.size() ? "," : "");
            text.append(i < notes.size() && !notes.get(i).isEmpty() ? "  " + noted(notes.get(i)) : "").append('\n');
        }
        text.append(")");
    }

    /** What a partition says otherwise of columns of the whole: their types and numbers are not repeated. */
    private List<String> refinements(Table table) {
        List<String> lines = new ArrayList<>();
        for (Column column : table.columns()) {
            String suffix = suffix(table, column.withIdentity(Identity.NONE, Optional.empty())
                    .with(column.details().withCollation(Optional.empty())));
            if (!suffix.isEmpty()) {
                lines.add(spelling.name(column.name()) + " " + suffix);
            }
        }
        return lines;
    }

    /** The columns, one below the other, and what is to be noted beside each. */
    private List<String> columnLines(Table table, List<String> notes) {
        int count = table.columns().size();
        String[] names = new String[count];
        String[] types = new String[count];
        String[] suffixes = new String[count];
        int nameWidth = 0;
        int typeWidth = 0;
        for (int i = 0; i < count; i++) {
            Column column = table.columns().get(i);
            names[i] = spelling.name(column.name());
            types[i] = type(column);
            suffixes[i] = suffix(table, column);
            nameWidth = Math.max(nameWidth, names[i].length());
            typeWidth = Math.max(typeWidth, suffixes[i].isEmpty() ? 0 : types[i].length());
        }
        List<String> lines = new ArrayList<>(count + 4);
        boolean noted = dialect.comments() == Comments.NONE && options.comments();
        for (int i = 0; i < count; i++) {
            String rest = suffixes[i].isEmpty() ? types[i] : padded(types[i], typeWidth) + "  " + suffixes[i];
            lines.add((padded(names[i], nameWidth) + "  " + rest).stripTrailing());
            notes.add(noted ? table.columns().get(i).comment() : "");
        }
        return lines;
    }

    /** A column as it stands in its table's definition, on one line. */
    public String column(Table table, Column column) {
        return Stream.of(spelling.name(column.name()), type(column), suffix(table, column))
                .filter(part -> !part.isEmpty()).collect(Collectors.joining(" "));
    }

    /** The clause of a primary key. */
    public String primaryKey(PrimaryKey key) {
        return (dialect.primaryKeyName().isPresent() ? "" : spelling.constraint(key.name())) + "PRIMARY KEY "
                + columns(key);
    }

    /** The columns of a primary key in brackets, with how much of each counts. */
    public String columns(PrimaryKey key) {
        return key.columns().stream()
                .map(column -> spelling.name(column)
                        + (key.prefixes().containsKey(column) ? "(" + key.prefixes().get(column) + ")" : ""))
                .collect(Collectors.joining(", ", "(", ")"));
    }

    /** The clause of a unique key. */
    public String unique(UniqueKey key) {
        return spelling.constraint(key.name()) + "UNIQUE " + spelling.names(key.columns());
    }

    /** The clause of a check. */
    public String check(CheckRule check) {
        return spelling.constraint(check.name()) + "CHECK (" + dialect.written(check.condition()) + ")";
    }

    /** The clause of a foreign key. */
    public String foreignKey(Table table, ForeignKey key) {
        return spelling.constraint(key.name()) + reference(table, key);
    }

    /** The clause of an index that stands in its table's definition (MySQL manual, CREATE TABLE). */
    public String indexInside(TableIndex index) {
        return (index.unique() ? "UNIQUE " : "") + "INDEX " + spelling.name(index.name()) + " "
                + index.columns().stream().map(this::indexed).collect(Collectors.joining(", ", "(", ")"));
    }

    /** A type as the engine spells it. */
    public String type(SqlType held) {
        return spelling.type(held);
    }

    /** A name as it is written. */
    public String name(String name) {
        return spelling.name(name);
    }

    /** A name with its schema. */
    public String qualified(String namespace, String name) {
        return spelling.qualified(namespace, name);
    }

    /** A name with its schema. */
    public String name(QualifiedName name) {
        return spelling.name(name);
    }

    /** A table's name with its schema. */
    public String name(Table table) {
        return spelling.name(table);
    }

    /** Columns in brackets. */
    public String names(List<String> columns) {
        return spelling.names(columns);
    }

    /**
     * The index that has to stand in the definition, because a column that numbers itself is in no key (MySQL manual,
     * “Using AUTO_INCREMENT”).
     */
    public Optional<TableIndex> numbering(Table table) {
        Optional<String> column =
                table.columns().stream().filter(own -> own.identity() != Identity.NONE).map(Column::name).findFirst();
        boolean keyed = column.isEmpty() || table.keyColumns().stream().findFirst().equals(column)
                || table.uniqueKeys().stream().anyMatch(key -> key.columns().getFirst().equals(column.get()));
        return dialect.numbered() != Numbered.ONE_INDEXED_COLUMN || keyed ? Optional.empty() : table.indexes().stream()
                .filter(index -> index.columns().getFirst().name().equals(column.get())).findFirst();
    }

    private static String noted(String comment) {
        return "-- " + comment.replaceAll("\\s+", " ");
    }

    private String tableOptions(Table table) {
        return dialect.tableOptions(
                table.columns().stream().flatMap(column -> column.numbering().stream()).findFirst(),
                options.comments() ? table.comment() : "");
    }

    private String type(Column column) {
        if (!dialect.typesComputedColumns() && column.generated().isPresent()) {
            return "AS (" + dialect.written(column.generated().get()) + ")";
        }
        return column.type() instanceof NativeType(String spelled) && spelled.isEmpty() ? ""
                : spelling.type(column.type());
    }

    private String suffix(Table table, Column column) {
        StringBuilder parts = new StringBuilder();
        column.details().collation().ifPresent(collation -> add(parts, "COLLATE " + dialect.collation(collation)));
        boolean whole = numbersKey(column);
        column.defaultValue().ifPresent(expression -> add(parts, "DEFAULT " + dialect.written(expression)));
        if (column.identity() != Identity.NONE && !whole) {
            add(parts, dialect.identityClause(column.identity(), column.numbering()));
        }
        column.generated().ifPresent(expression -> add(parts,
                dialect.computedClause(dialect.written(expression), column.details().virtual())));
        column.details().onUpdate().ifPresent(expression -> add(parts, "ON UPDATE " + expression));
        if (column.required()) {
            add(parts, "NOT NULL");
        } else if (dialect.saysNullable(column.type()) && column.generated().isEmpty()) {
            add(parts, "NULL");
        }
        if (whole) {
            add(parts, table.primaryKey().map(key -> spelling.constraint(key.name())).orElse("")
                    + "PRIMARY KEY AUTOINCREMENT");
        }
        if (dialect.comments() == Comments.INSIDE && options.comments() && !column.comment().isEmpty()) {
            add(parts, "COMMENT " + dialect.literal(column.comment()));
        }
        return parts.toString();
    }

    private static void add(StringBuilder parts, String part) {
        parts.append(parts.isEmpty() || part.isEmpty() ? "" : " ").append(part);
    }

    /** What stands behind a column that is an identity. */
    public String numbers(Column column) {
        return dialect.identityClause(column.identity(), column.numbering());
    }

    /** ALTER TABLE that adds a foreign key. */
    public String addForeignKey(Table table, ForeignKey key) {
        return "ALTER TABLE " + spelling.name(table) + " ADD "
                + (key.name().isEmpty() ? "" : "CONSTRAINT " + spelling.name(key.name()))
                + "\n    " + reference(table, key);
    }

    private String reference(Table table, ForeignKey key) {
        return "FOREIGN KEY " + spelling.names(key.columns()) + " REFERENCES " + spelling.name(key.referenced())
                + (key.referencedColumns().isEmpty() ? "" : " " + spelling.names(key.referencedColumns()))
                + action(" ON DELETE ", key.onDelete()) + action(" ON UPDATE ", key.onUpdate())
                + switch (key.deferral()) {
                    case NOT_DEFERRABLE -> "";
                    case INITIALLY_IMMEDIATE -> " DEFERRABLE";
                    case INITIALLY_DEFERRED -> " DEFERRABLE INITIALLY DEFERRED";
                };
    }

    private static String action(String when, ReferentialAction action) {
        return action == ReferentialAction.NO_ACTION || action == ReferentialAction.RESTRICT && when.isEmpty() ? ""
                : when + action.sql();
    }

    /** CREATE INDEX. */
    public String createIndex(Table table, TableIndex index) {
        if (index.excludes()) {
            return "ALTER TABLE " + spelling.name(table) + " ADD " + exclusion(index);
        }
        String columns = index.columns().stream().map(this::indexed).collect(Collectors.joining(", ", "(", ")"));
        String leading =
                LEADING.contains(index.method()) ? index.method().toUpperCase(java.util.Locale.ROOT) + " " : "";
        String using = index.method().isEmpty() || !leading.isEmpty() || index.method().equals("bitmap") ? ""
                : "USING " + index.method() + " ";
        boolean usingInFront = dialect.indexMethodFirst();
        boolean ifAbsent = options.onlyIfAbsent() && dialect.createsIndexIfAbsent();
        return "CREATE " + (index.unique() ? "UNIQUE " : "") + leading + "INDEX " + (ifAbsent ? "IF NOT EXISTS " : "")
                + (dialect.qualifiesIndexes() ? spelling.qualified(table.namespace(), index.name())
                        : spelling.name(index.name()))
                + " " + (usingInFront ? using : "")
                + "ON " + spelling.name(table) + " " + (usingInFront ? "" : using)
                + columns + (index.included().isEmpty() ? "" : " INCLUDE " + names(index.included()))
                + index.predicate().map(rows -> " WHERE " + dialect.written(rows)).orElse("");
    }

    /** An exclusion constraint (PostgreSQL manual, CREATE TABLE). */
    private String exclusion(TableIndex index) {
        return spelling.constraint(index.name()) + "EXCLUDE "
                + (index.method().isEmpty() ? "" : "USING " + index.method() + " ")
                + index.columns().stream().map(part -> indexed(part) + " WITH " + part.operator())
                        .collect(Collectors.joining(", ", "(", ")"))
                + (index.included().isEmpty() ? "" : " INCLUDE " + names(index.included()))
                + index.predicate().map(rows -> " WHERE (" + dialect.written(rows) + ")").orElse("");
    }

    private String indexed(IndexColumn part) {
        String what = part.computed().map(expression -> "(" + dialect.written(expression) + ")")
                .orElseGet(() -> spelling.name(part.column()));
        String before = part.ordering().before();
        String behind = part.ordering().behind();
        return what + (part.prefix().isPresent() ? "(" + part.prefix().getAsInt() + ")" : "")
                + (before.isEmpty() ? "" : " " + before) + (part.descending() ? " DESC" : "")
                + (behind.isEmpty() ? "" : " " + behind);
    }

    static String padded(String text, int width) {
        return text + " ".repeat(Math.max(0, width - text.length()));
    }
}
