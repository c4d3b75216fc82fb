package entaxis.core.statement;

import entaxis.core.schema.QualifiedName;

/**
 * CREATE VIRTUAL TABLE (SQLite documentation), whose rows stand in tables that the engine keeps for it.
 *
 * @param kind what the statement counts as
 */
public record CreateVirtualTable(QualifiedName name, String kind) implements Statement { }
