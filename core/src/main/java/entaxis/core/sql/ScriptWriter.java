package entaxis.core.sql;

import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.OwnParts;
import entaxis.core.schema.Program;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Sequence;
import entaxis.core.schema.Table;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.sql.Script.Kind;
import entaxis.core.sql.Script.Statement;
import entaxis.core.sql.TableFeatures.Comments;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Writes the table definitions of a schema for an engine: drops where asked, types, tables, foreign keys, indexes,
 * comments, so that no order of tables matters. Linear in the columns.
 */
public final class ScriptWriter {
    private final Dialect dialect;
    private final ScriptOptions options;
    private final Spelling spelling;
    private final TableWriter writer;
    /** From how many tables on it pays to write them on all processors. */
    private static final int MANY = 500;

    /** A writer for one engine. */
    public ScriptWriter(Dialect dialect, ScriptOptions options) {
        this.dialect = dialect;
        this.options = options;
        this.spelling = new Spelling(dialect, options);
        this.writer = new TableWriter(dialect, options);
    }

    /** The script for a schema; tables without columns are left out and named in the head. */
    public Script write(Schema schema, String title) {
        return write(schema, title, DialectAdapter.fit(schema, dialect));
    }

    /** The script for a schema that scripts or the catalog of the same engine say: nothing of it is lost. */
    public Script writeAgain(Schema schema, String title) {
        return write(schema, title, DialectAdapter.ofOwn(schema, dialect)).ofOwnEngine();
    }

    private Script write(Schema schema, String title, AdaptedSchema fitted) {
        List<Table> tables = fitted.schema().tables().stream().filter(table -> !table.columns().isEmpty())
                .filter(table -> options.chosen().map(chosen -> chosen.contains(table.label())).orElse(true)).toList();
        Set<QualifiedName> written = tables.stream().map(Table::qualifiedName).collect(Collectors.toSet());
        List<AdaptationNote> findings =
                Stream.concat(fitted.findings().stream(), ReservedNames.of(fitted.schema(), dialect).stream())
                        .filter(finding -> finding.table().isEmpty()
                                || options.chosen().map(chosen -> chosen.contains(finding.table())).orElse(true))
                        .toList();
        List<Statement> statements = new ArrayList<>();
        List<Table> own = new CreationOrder(own(tables, written)).parentsFirst();
        if (options.dropFirst()) {
            dialect.drops(fitted.schema(), own, spelling)
                    .forEach(text -> statements.add(Statement.of(Kind.DROP, text)));
        }
        namespaces(fitted.schema(), tables)
                .forEach(name -> statements.add(Statement.of(Kind.SCHEMA, createSchema(name))));
        fitted.schema().extensions().stream().flatMap(name -> dialect.createExtension(name).stream())
                .forEach(text -> statements.add(Statement.of(Kind.SCHEMA, text)));
        fitted.schema().types().forEach(
                type -> statements.add(Statement.of(Kind.TYPE, createType(type, fitted.schema()))));
        fitted.schema().sequences().forEach(
                sequence -> statements.add(Statement.of(Kind.SEQUENCE, createSequence(sequence))));
        Set<Program> early = new CalledFunctions(fitted.schema()).programs();
        if (!early.isEmpty()) {
            dialect.lateBodies().ifPresent(
                    words -> statements.add(Statement.of(Kind.SETTING, words)));
        }
        early.forEach(program -> statements.add(Statement.of(Kind.PROGRAM, program.text())));
        ProgramWriter ofPrograms = new ProgramWriter(dialect, options);
        List<Table> ordered =
                options.foreignKeysInside() && dialect.addsForeignKeys() || !dialect.refersAhead()
                        ? new CreationOrder(own).tables() : own;
        Map<Table, List<ForeignKey>> inside = inside(ordered);
        Stream<Table> each = ordered.size() < MANY ? ordered.stream() : ordered.parallelStream();
        statements.addAll(each.map(table -> Statement.of(Kind.TABLE, table.qualifiedName(),
                guarded(table, writer.create(table, inside.get(table))))).toList());
        own.forEach(table -> table.foreignKeys().stream()
                .filter(key -> !inside.get(table).contains(key)
                        && (written.contains(key.referenced()) || options.chosen().isEmpty()))
                .forEach(key -> statements
                        .add(Statement.of(Kind.FOREIGN_KEY, table.qualifiedName(), writer.addForeignKey(table, key)))));
        own.forEach(table -> table.indexes().stream()
                .filter(index -> writer.numbering(table).filter(index::equals).isEmpty()).forEach(index -> statements
                        .add(Statement.of(Kind.INDEX, table.qualifiedName(), writer.createIndex(table, index)))));
        fitted.schema().programs().stream().filter(program -> !early.contains(program))
                .forEach(program -> statements.add(Statement.of(Kind.PROGRAM, program.text())));
        if (options.comments()) {
            comments(fitted.schema(), tables, ofPrograms, statements);
        }
        new GrantWriter(dialect, options).ofNew(fitted.schema(), tables)
                .forEach(text -> statements.add(Statement.of(Kind.PRIVILEGE, text)));
        dialect.preparation(statements.stream().map(Statement::text))
                .ifPresent(words -> statements.addFirst(Statement.of(Kind.SETTING, words)));
        return new Script(dialect.target(), head(schema, title), statements, findings);
    }

    /** The tables without what they have of others; one whose parent is not written stands alone. */
    private static List<Table> own(List<Table> tables, Set<QualifiedName> written) {
        return OwnParts.of(tables.stream().map(table -> written.containsAll(table.knownHierarchy().parents()) ? table
                : table.withHierarchy(Optional.empty())).toList());
    }

    private String head(Schema schema, String title) {
        String left = schema.tables().stream().filter(table -> table.columns().isEmpty()).map(Table::name)
                .collect(Collectors.joining(", "));
        return "-- " + title + "\n-- Table definitions for " + dialect.target().title() + "\n"
                + (left.isEmpty() ? "" : "-- Left out, having no attributes yet: " + left + "\n");
    }

    /** The statement that makes a schema, if it is not there. */
    public String createSchema(String name) {
        return dialect.createSchema(name, spelling);
    }

    /** The statement that creates a type which the engine can hold. */
    public String createType(TypeDefinition type, Schema schema) {
        return dialect.create(type, spelling.name(type.qualifiedName()), schema, spelling::type);
    }

    /** What a type is called in DROP and ALTER. */
    public String kind(TypeDefinition type) {
        return dialect.kind(type);
    }

    private List<String> namespaces(Schema schema, List<Table> tables) {
        if (!dialect.schemas()) {
            return List.of();
        }
        Set<String> names = new java.util.LinkedHashSet<>();
        options.schema().ifPresent(names::add);
        Stream.of(tables.stream().map(Table::qualifiedName),
                schema.types().stream().map(TypeDefinition::qualifiedName),
                schema.sequences().stream().map(Sequence::qualifiedName))
                .flatMap(all -> all).map(QualifiedName::namespace).filter(name -> !name.isEmpty()).forEach(names::add);
        return List.copyOf(names);
    }

    /** The statement that creates a sequence. */
    public String createSequence(Sequence sequence) {
        return "CREATE SEQUENCE " + spelling.name(sequence) + " START WITH "
                + sequence.start() + " INCREMENT BY " + sequence.step();
    }

    /**
     * A table definition that is passed where the table is there, for engines that have no words for that inside it.
     */
    private String guarded(Table table, String definition) {
        if (!options.onlyIfAbsent()) {
            return definition;
        }
        return dialect.onlyIfAbsent(definition, spelling.name(table));
    }

    /**
     * Which foreign keys stand inside their table: those that refer back in the order of the tables. Engines that
     * cannot add them later take all inside.
     */
    private Map<Table, List<ForeignKey>> inside(List<Table> tables) {
        Map<Table, List<ForeignKey>> inside = new IdentityHashMap<>();
        if (!dialect.addsForeignKeys()) {
            tables.forEach(table -> inside.put(table, table.foreignKeys()));
            return inside;
        }
        if (!options.foreignKeysInside()) {
            tables.forEach(table -> inside.put(table, List.of()));
            return inside;
        }
        Set<QualifiedName> done = new HashSet<>();
        for (Table table : tables) {
            done.add(table.qualifiedName());
            inside.put(table,
                    table.foreignKeys().stream().filter(key -> done.contains(key.referenced())).toList());
        }
        return inside;
    }

    private void comments(Schema schema, List<Table> tables, ProgramWriter ofPrograms, List<Statement> statements) {
        if (dialect.comments() != Comments.STATEMENT) {
            return;
        }
        schema.sequences().stream().filter(sequence -> !sequence.comment().isEmpty())
                .flatMap(sequence -> ofPrograms.comment(sequence).stream())
                .forEach(text -> statements.add(Statement.of(Kind.COMMENT, text)));
        schema.programs().stream().flatMap(program -> ofPrograms.comments(program, List.of()).stream())
                .forEach(text -> statements.add(Statement.of(Kind.COMMENT, text)));
        if (dialect.commentsOnTypes()) {
            schema.types().stream().filter(type -> !type.comment().isEmpty())
                    .forEach(type -> statements.add(Statement.of(Kind.COMMENT, comment(type))));
        }
        for (Table table : tables) {
            if (!table.comment().isEmpty()) {
                statements.add(comment(table, Optional.empty(), table.comment()));
            }
            table.columns().stream().filter(column -> !column.comment().isEmpty())
                    .forEach(column -> statements.add(comment(table, Optional.of(column.name()), column.comment())));
        }
    }

    private Statement comment(Table table, Optional<String> column, String comment) {
        return Statement.of(Kind.COMMENT, table.qualifiedName(), dialect.commentOn(table, column, comment, spelling));
    }

    private String comment(TypeDefinition type) {
        return "COMMENT ON " + dialect.kind(type) + " " + spelling.name(type.qualifiedName()) + " IS "
                + dialect.literal(type.comment());
    }
}
