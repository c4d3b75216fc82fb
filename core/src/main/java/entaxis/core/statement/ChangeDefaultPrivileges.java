package entaxis.core.statement;

/** ALTER DEFAULT PRIVILEGES: from here on others than usual may use what is made. */
public record ChangeDefaultPrivileges() implements Statement { }
