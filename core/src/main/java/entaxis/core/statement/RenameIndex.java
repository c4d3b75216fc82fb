package entaxis.core.statement;

/** ALTER INDEX ... RENAME. */
public record RenameIndex(PlacedName before, boolean ifExists, String now) implements Statement { }
