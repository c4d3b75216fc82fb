package entaxis.core.statement;

import entaxis.core.schema.QualifiedName;

/** ALTER SCHEMA ... TRANSFER (Transact-SQL Reference). */
public record MoveToSchema(QualifiedName table, String namespace) implements Statement { }
