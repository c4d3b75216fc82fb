package entaxis.core.statement;

/** A name with the schema that it is said to be in; empty where none is said. */
public record QualifiedName(String namespace, String name) { }
