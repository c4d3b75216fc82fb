package entaxis.core.statement;

/** What stands in the brackets of CREATE TABLE. */
public sealed interface TableElement permits ColumnDefinition, ColumnRefinement, LikeTable, TableConstraint,
        SyntaxError { }
