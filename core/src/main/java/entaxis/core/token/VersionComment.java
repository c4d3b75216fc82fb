package entaxis.core.token;

/**
 * Comments whose inside is carried out (MySQL manual, “Comments”; MariaDB manual, “Comment Syntax”): {@code /*!50100
 * ...}, and {@code /*M!100100 ...} of MariaDB, which passes those of MySQL 5.7 alone.
 */
final class VersionComment {
    private static final int MAX_DIGITS = 6;
    private static final int FIRST_OF_MYSQL_ALONE = 50700;
    private static final int LAST_OF_MYSQL_ALONE = 50999;

    private VersionComment() { }

    /**
     * Where the inside of a comment begins that begins at a place; less than 0 if it is not carried out.
     *
     * @param family whether the engine is the one that has the second kind
     */
    static int body(String text, int at, boolean family) {
        int from = at + 2;
        boolean ofFamily = from + 1 < text.length() && text.charAt(from) == 'M' && text.charAt(from + 1) == '!';
        if (ofFamily && !family || !ofFamily && (from >= text.length() || text.charAt(from) != '!')) {
            return -1;
        }
        from += ofFamily ? 2 : 1;
        int digits = from;
        int version = 0;
        while (digits < text.length() && digits < from + MAX_DIGITS && text.charAt(digits) >= '0'
                && text.charAt(digits) <= '9') {
            version = version * 10 + text.charAt(digits) - '0';
            digits++;
        }
        return family && version >= FIRST_OF_MYSQL_ALONE && version <= LAST_OF_MYSQL_ALONE ? -1 : digits;
    }
}
