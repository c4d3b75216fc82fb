package entaxis.core.statement;

/** CREATE EXTENSION (PostgreSQL manual). */
public record AddExtension(String name) implements Statement { }
