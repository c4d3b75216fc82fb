package entaxis.core.statement;

/**
 * A statement that says nothing about what tables are.
 *
 * @param kind what it is
 */
public record Skipped(String kind) implements Statement { }
