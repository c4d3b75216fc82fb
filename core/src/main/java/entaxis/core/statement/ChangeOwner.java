package entaxis.core.statement;

/**
 * ALTER ... OWNER TO (PostgreSQL manual).
 *
 * @param kind what the statement counts as beside that
 */
public record ChangeOwner(SecuredObjects objects, String role, String kind) implements Statement { }
