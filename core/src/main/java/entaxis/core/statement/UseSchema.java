package entaxis.core.statement;

/**
 * A statement that makes a schema the one that names without one belong to.
 *
 * @param namespace empty for the usual one
 * @param kind      what the statement is
 */
public record UseSchema(String namespace, String kind) implements Statement { }
