package entaxis.core.migration;

import entaxis.core.reconcile.Conversion;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Numbering;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.sql.TableWriter;
import entaxis.core.targets.ByEngine;
import entaxis.core.targets.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** How an engine changes what is there: ISO/IEC 9075-2, 11.10 to 11.30 unless an engine says otherwise. Immutable. */
public abstract class Alterations extends AlterationFeatures {
    /** The engine's dialect. */
    protected final Dialect dialect;
    /** Writes definitions of tables for the engine. */
    protected final TableWriter writer;
    /** Writes definitions of all else. */
    protected final ScriptWriter scripts;

    /** Loaded when it is first asked for: the services are subclasses of this class. */
    private static final class Registered {
        static final ByEngine<Alterations> BY_ENGINE = ByEngine.load(Alterations.class, own -> own.dialect.target());
    }

    /** For an engine whose dialect is registered. */
    protected Alterations(Target engine) {
        this.dialect = Dialect.of(engine);
        this.writer = new TableWriter(dialect, ScriptOptions.DEFAULT);
        this.scripts = new ScriptWriter(dialect, ScriptOptions.DEFAULT);
    }

    /**
     * The alterations of an engine.
     *
     * @throws IllegalArgumentException if none are registered for it
     */
    public static Alterations of(Target engine) {
        return Registered.BY_ENGINE.get(engine);
    }

    // statements

    /** The beginning of ALTER TABLE. */
    public String alter(Table table) {
        return "ALTER TABLE " + writer.name(table) + " ";
    }

    /** ALTER TABLE with a clause. */
    public String alter(Table table, String clause) {
        return alter(table) + clause;
    }

    /** A name as it is written. */
    public String name(String name) {
        return writer.name(name);
    }

    /** Takes a foreign key off. */
    public String dropForeignKey(Table table, ForeignKey key) {
        return alter(table, "DROP CONSTRAINT " + name(key.name()));
    }

    /** Takes a check off. */
    public String dropCheck(Table table, CheckRule check) {
        return alter(table, "DROP CONSTRAINT " + name(check.name()));
    }

    /** Takes a unique key off. */
    public String dropUnique(Table table, UniqueKey key) {
        return alter(table, "DROP CONSTRAINT " + name(key.name()));
    }

    /** Takes the primary key off. */
    public String dropPrimaryKey(Table table, PrimaryKey key) {
        return alter(table, "DROP CONSTRAINT " + name(key.name()));
    }

    /** Drops an index. */
    public String dropIndex(Table table, TableIndex index) {
        return index.excludes() ? alter(table, "DROP CONSTRAINT " + name(index.name()))
                : "DROP INDEX " + (table.namespace().isEmpty() ? name(index.name())
                        : writer.qualified(table.namespace(), index.name()));
    }

    /** Adds what a clause says. */
    public String add(Table table, String clause) {
        return alter(table, "ADD " + clause);
    }

    /** Adds a foreign key. */
    public String addForeignKey(Table table, ForeignKey key) {
        return writer.addForeignKey(table, key);
    }

    /** Gives a table another name. */
    public List<String> renameTable(Table before, Table after) {
        return List.of(alter(before, "RENAME TO " + name(after.name())));
    }

    /** Gives a column another name. */
    public List<String> renameColumn(Table table, String from, String to) {
        return List.of(alter(table, "RENAME COLUMN " + name(from) + " TO " + name(to)));
    }

    /** Gives a constraint another name. */
    public List<String> renameConstraint(Table table, String from, String to) {
        return List.of(alter(table, "RENAME CONSTRAINT " + name(from) + " TO " + name(to)));
    }

    /** Gives an index another name. */
    public List<String> renameIndex(Table table, String from, String to) {
        return List.of("ALTER INDEX " + writer.qualified(table.namespace(), from) + " RENAME TO " + name(to));
    }

    /** Adds a column, behind another one where the engine orders columns; first, if that one is empty. */
    public List<String> addColumn(Table table, Column column, Optional<String> behind) {
        return List.of(add(table, "COLUMN " + writer.column(table, column)));
    }

    /** Drops a column. */
    public List<String> dropColumn(Table table, Column column) {
        return List.of(alter(table, "DROP COLUMN " + name(column.name())));
    }

    /** Drops a column, which the tables that inherit it keep as their own (PostgreSQL manual, ALTER TABLE). */
    public List<String> dropColumnOnly(Table table, Column column) {
        return List.of("ALTER TABLE ONLY " + writer.name(table) + " DROP COLUMN " + name(column.name()));
    }

    /** Makes a table of the rows of another one, without its keys and rules (ISO/IEC 9075-2, 11.3). */
    public List<String> copy(Table table, Table into) {
        return List.of("CREATE TABLE " + writer.name(into) + " AS SELECT * FROM " + writer.name(table));
    }

    /** Drops a table. */
    public List<String> dropTable(Table table) {
        return List.of("DROP TABLE " + writer.name(table));
    }

    /** Changes a column where it is. */
    public List<String> alterColumn(Table table, Column from, Column to, boolean retyped) {
        List<String> statements = new ArrayList<>();
        String column = "ALTER COLUMN " + name(to.name()) + " ";
        boolean other = retyped && !Conversion.alike(from.type(), to.type());
        boolean defaultChanges = !from.defaultValue().equals(to.defaultValue()) || other;
        if (from.identity() != Identity.NONE && to.identity() == Identity.NONE) {
            statements.addAll(dropIdentity(table, to));
        }
        if (defaultChanges && from.defaultValue().isPresent() && (other || to.defaultValue().isEmpty())) {
            statements.add(alter(table, column + "DROP DEFAULT"));
        }
        if (retyped) {
            statements.add(retype(table, from, to));
        }
        if (from.required() && !to.required()) {
            statements.add(alter(table, column + "DROP NOT NULL"));
        }
        if (!from.required() && to.required()) {
            statements.add(alter(table, column + "SET NOT NULL"));
        }
        if (defaultChanges && to.defaultValue().isPresent()) {
            statements.add(alter(table, column + "SET DEFAULT " + dialect.written(to.defaultValue().get())));
        }
        if (to.identity() != Identity.NONE
                && !(from.identity() == to.identity() && from.numbering().equals(to.numbering()))) {
            statements.addAll(number(table, from, to));
        }
        return statements;
    }

    /** Gives a column another type. */
    public String retype(Table table, Column from, Column to) {
        return alter(table, "ALTER COLUMN " + name(to.name()) + " SET DATA TYPE " + writer.type(to.type()));
    }

    /** A value converted to the type of a column, where the script creates that type again. */
    public String ofNewType(String value, Column column) {
        return "CAST(" + value + " AS " + writer.type(column.type()) + ")";
    }

    /** Makes a column no longer number itself. */
    public List<String> dropIdentity(Table table, Column column) {
        return List.of(alter(table, "ALTER COLUMN " + name(column.name()) + " DROP IDENTITY"));
    }

    /** Makes a column number itself, or do so in another way (ISO/IEC 9075-2, 11.20). */
    public List<String> number(Table table, Column from, Column to) {
        if (from.identity() != Identity.NONE) {
            return List.of(alter(table, "ALTER COLUMN " + name(to.name()) + " " + numbering(to)));
        }
        return List.of(alter(table, "ALTER COLUMN " + name(to.name()) + " ADD " + writer.numbers(to)));
    }

    /** What an identity becomes, with its numbers spelled out. */
    protected static String numbering(Column column) {
        Numbering numbers = column.numbering().orElse(Numbering.DEFAULT);
        return "SET GENERATED " + (column.identity() == Identity.ALWAYS ? "ALWAYS" : "BY DEFAULT") + " SET START WITH "
                + numbers.start() + " SET INCREMENT BY " + numbers.step();
    }

    /** A value turned into the type of a column, where that does not happen by itself when it is stored. */
    public String converted(String value, Column from, Column to) {
        return value;
    }

    // types

    /** Gives a type another name. */
    public List<String> renameType(TypeDefinition type, String to) {
        return List.of("ALTER " + scripts.kind(type) + " " + writer.name(type.qualifiedName()) + " RENAME TO "
                + name(to));
    }

    /** Drops a type. */
    public List<String> dropType(TypeDefinition type, String name) {
        return List.of("DROP " + scripts.kind(type) + " " + writer.name(type.qualifiedName().named(name)));
    }

    // comments

    /** Says what a table is. */
    public List<String> tableComment(Table table) {
        return List.of("COMMENT ON TABLE " + writer.name(table) + " IS " + dialect.literal(table.comment()));
    }

    /**
     * Says what a column is.
     *
     * @param first whether it has no comment yet
     */
    public List<String> columnComment(Table table, Column column, boolean first) {
        return List.of("COMMENT ON COLUMN " + writer.name(table) + "." + name(column.name()) + " IS "
                + dialect.literal(column.comment()));
    }

    /** The clause that puts a column behind another; first, if that is empty. For engines that order columns. */
    public String place(Table table, Column column, String behind) {
        throw new UnsupportedOperationException(dialect.target().title() + " does not put columns into order");
    }

    /** What makes a table take numbers for a column that gives them itself, or no longer; often nothing is needed. */
    public Optional<String> takeNumbers(Table table, boolean taken) {
        return Optional.empty();
    }

    /** Drops a type that is in use, where it cannot get another name for a while. */
    public List<String> dropTypeInUse(TypeDefinition type) {
        return dropType(type, type.name());
    }

    // the whole script

    /** What makes the statements of a session wait for a lock so many seconds at most; empty where nothing does. */
    public Optional<String> lockLimit(long seconds) {
        return Optional.empty();
    }

    /** The word that begins a transaction. */
    public String begin() {
        return "BEGIN";
    }

    /** What runs before the transaction, so that references are not looked at while tables change. */
    public Optional<String> suspendReferences() {
        return Optional.empty();
    }

    /** Lists rows that refer to nothing, where references were not looked at. */
    public Optional<String> brokenReferences() {
        return Optional.empty();
    }

    /** What runs after the transaction, so that references are looked at again. */
    public Optional<String> resumeReferences() {
        return Optional.empty();
    }

    /** Whether each step ends its batch in a script. */
    public boolean stepsInBatches() {
        return false;
    }

    /** What to bear in mind about a new index. */
    public String indexAdvice() {
        return "Reads the whole table.";
    }
}
