package entaxis.core.schema;

/** A check constraint; the condition as SQL text. */
public record CheckRule(String name, String condition) implements TablePart { }
