package entaxis.core.schema;

/**
 * A privilege that somebody has on an object (ISO/IEC 9075-2, 12.2).
 *
 * @param privilege in capitals, such as {@code SELECT}; {@code ALL} for all that there are on such an object
 * @param grantee   the role that has it; {@code PUBLIC} for everybody
 * @param grantable whether it may be handed on
 */
public record Grant(String privilege, String grantee, boolean grantable) {
    /** Stands for all privileges on an object. */
    public static final String ALL = "ALL";
    /** Stands for everybody. */
    public static final String PUBLIC = "PUBLIC";
}
