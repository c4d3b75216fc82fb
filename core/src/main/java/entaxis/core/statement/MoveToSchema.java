package entaxis.core.statement;

/** ALTER SCHEMA ... TRANSFER (Transact-SQL Reference). */
public record MoveToSchema(QualifiedName table, String namespace) implements Statement { }
