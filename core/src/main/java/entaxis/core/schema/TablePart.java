package entaxis.core.schema;

/** What a table consists of: a column, a constraint or an index. */
public sealed interface TablePart permits Column, PrimaryKey, UniqueKey, CheckRule, ForeignKey, TableIndex {
    /** Its name; empty for a constraint without one. */
    String name();
}
