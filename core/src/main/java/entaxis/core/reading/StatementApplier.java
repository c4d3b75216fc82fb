package entaxis.core.reading;

import entaxis.core.statement.AddExtension;
import entaxis.core.statement.AlterTable;
import entaxis.core.statement.Block;
import entaxis.core.statement.CallProcedure;
import entaxis.core.statement.ChangeDefaultPrivileges;
import entaxis.core.statement.ChangeOwner;
import entaxis.core.statement.ChangePrivileges;
import entaxis.core.statement.CommentOn;
import entaxis.core.statement.CreateIndex;
import entaxis.core.statement.CreateSchema;
import entaxis.core.statement.CreateTable;
import entaxis.core.statement.CreateVirtualTable;
import entaxis.core.statement.DropIndexes;
import entaxis.core.statement.DropTables;
import entaxis.core.statement.InsertRows;
import entaxis.core.statement.MoveToSchema;
import entaxis.core.statement.ProgramStatement;
import entaxis.core.schema.QualifiedName;
import entaxis.core.statement.RenameIndex;
import entaxis.core.statement.RenameTables;
import entaxis.core.statement.ScriptStatement;
import entaxis.core.statement.SequenceStatement;
import entaxis.core.statement.Skipped;
import entaxis.core.statement.SyntaxError;
import entaxis.core.statement.TypeStatement;
import entaxis.core.statement.UseSchema;
import java.util.List;

/** Carries out statements, one after the other, on the schema that they make. */
final class StatementApplier {
    private final SchemaBuilder builder;
    private final ReadingLog log;
    private final TableCreation tables;
    private final TableAlteration alterations;
    private final Indexes indexes;
    private final TypeChanges types;
    private final SequenceChanges sequences;
    private final ProgramChanges programs;
    private final CommentChanges comments;
    private final PrivilegeChanges privileges;
    private final ProcedureCalls calls;
    private final SampleRows rows;

    StatementApplier(SchemaBuilder builder, ReadingLog log, SampleRows rows) {
        this.builder = builder;
        this.log = log;
        this.rows = rows;
        ImpliedNames implied = new ImpliedNames(builder.syntax);
        TypeResolver resolver = new TypeResolver(builder);
        ColumnDefaults defaults = new ColumnDefaults(builder);
        this.indexes = new Indexes(builder, implied, log);
        Constraints constraints = new Constraints(builder, implied, defaults, indexes);
        Columns columns = new Columns(builder, resolver, implied, defaults, constraints, indexes);
        this.programs = new ProgramChanges(builder, log);
        this.privileges = new PrivilegeChanges(builder, programs, log);
        this.tables = new TableCreation(builder, columns, constraints, indexes, log);
        this.alterations = new TableAlteration(builder, resolver, implied, columns, constraints, defaults, indexes,
                privileges, log);
        this.types = new TypeChanges(builder, resolver, implied, log);
        this.sequences = new SequenceChanges(builder, defaults, log);
        this.comments = new CommentChanges(builder, programs);
        this.calls = new ProcedureCalls(builder, types, log);
    }

    /** Carries out a statement as far as it is understood and fits what is there; what is not is noted. */
    void apply(ScriptStatement statement) {
        try {
            if (carriedOut(statement)) {
                statement.error().ifPresent(log::notUnderstood);
            }
        } catch (ConflictException conflict) {
            if (statement.conditional()) {
                log.steppedOver(statement.start(), "what its condition rules out");
            } else {
                log.conflict(conflict, statement.end());
            }
        }
    }

    private void all(List<ScriptStatement> statements) {
        statements.forEach(this::apply);
    }

    /** Carries out a statement; false if it is stepped over as a whole. */
    private boolean carriedOut(ScriptStatement statement) {
        switch (statement.statement()) {
            case CreateTable created -> {
                return tables.create(created, statement);
            }
            case AlterTable altered -> {
                return alterations.alter(altered, statement);
            }
            case CreateIndex created -> {
                return indexes.create(created, statement);
            }
            case TypeStatement change -> {
                return types.apply(change, statement);
            }
            case SequenceStatement change -> {
                return sequences.apply(change, statement);
            }
            case ProgramStatement change -> {
                return programs.apply(change, statement);
            }
            case InsertRows inserted -> {
                return rows.insert(inserted, statement);
            }
            case DropTables dropped -> tables.drop(dropped, statement);
            case RenameTables renamed -> alterations.rename(renamed);
            case DropIndexes dropped -> indexes.drop(dropped);
            case RenameIndex renamed -> indexes.rename(renamed);
            case CommentOn comment -> comments.comment(comment);
            case ChangePrivileges change -> privileges.change(change, statement);
            case ChangeDefaultPrivileges() -> privileges.changeDefaults(statement);
            case CallProcedure call -> calls.call(call, statement);
            case CreateSchema created -> create(created, statement);
            case MoveToSchema moved -> move(moved, statement);
            case Block block -> run(block, statement);
            case ChangeOwner(var objects, String role, String kind) -> {
                privileges.own(objects, role);
                log.steppedOver(statement.start(), kind);
            }
            case UseSchema(String namespace, String kind) -> {
                builder.use(namespace);
                log.steppedOver(statement.start(), kind);
            }
            case AddExtension(String name) -> {
                builder.extensions.add(name);
                log.steppedOver(statement.start(), "extension");
            }
            case CreateVirtualTable(QualifiedName name, String kind) -> {
                builder.passing.add(builder.key(name));
                builder.virtual(name.name());
                log.steppedOver(statement.start(), kind);
            }
            case Skipped(String kind) -> log.steppedOver(statement.start(), kind);
            case SyntaxError error -> log.notUnderstood(error);
        }
        return true;
    }

    private void create(CreateSchema created, ScriptStatement statement) {
        log.steppedOver(statement.start(), "schema");
        created.name().ifPresent(builder::use);
        all(created.statements());
        created.name().ifPresent(name -> builder.use(""));
    }

    private void move(MoveToSchema moved, ScriptStatement statement) {
        builder.table(moved.table()).ifPresentOrElse(
                table -> builder.rename(table, moved.table(), new QualifiedName(moved.namespace(), table.name)),
                () -> log.steppedOver(statement.start(), "change of what is not kept"));
    }

    private void run(Block block, ScriptStatement statement) {
        block.parts().forEach(part -> log.within(part.text(), part.place(), () -> all(part.statements())));
        block.remark().ifPresent(remark -> log.steppedOver(statement.start(), remark));
    }
}
