package entaxis.core.statement;

import java.util.List;

/**
 * GRANT and REVOKE (ISO/IEC 9075-2, 12.2 and 12.7).
 *
 * @param privileges in capital letters
 * @param option     whether the right to hand them on is granted, or it alone revoked
 */
public record ChangePrivileges(boolean revoked, List<String> privileges, SecuredObjects objects,
        List<String> grantees, boolean option) implements Statement {
    /** Copies the lists. */
    public ChangePrivileges {
        privileges = List.copyOf(privileges);
        grantees = List.copyOf(grantees);
    }
}
