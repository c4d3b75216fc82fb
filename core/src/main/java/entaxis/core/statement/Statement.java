package entaxis.core.statement;

/** What one statement of a script says. */
public sealed interface Statement permits CreateTable, AlterTable, DropTables, RenameTables, CreateIndex, DropIndexes,
        RenameIndex, TypeStatement, SequenceStatement, ProgramStatement, CommentOn, ChangePrivileges, ChangeOwner,
        ChangeDefaultPrivileges, InsertRows, CallProcedure, UseSchema, CreateSchema, MoveToSchema, AddExtension,
        CreateVirtualTable, Block, Skipped, SyntaxError { }
