package entaxis.core.engine.postgresql;

/** Escapes in texts that PostgreSQL marks with an E (PostgreSQL manual, 4.1.2.2). */
final class PostgreSqlEscapes {
    private static final int OCTAL = 8;
    private static final int HEX = 16;

    private PostgreSqlEscapes() { }

    /**
     * Replaces each escape by the character that it stands for; an incomplete escape becomes the character behind the
     * backslash.
     */
    static String undone(String inside) {
        StringBuilder plain = new StringBuilder(inside.length());
        for (int i = 0; i < inside.length();) {
            char c = inside.charAt(i++);
            if (c != '\\' || i == inside.length()) {
                plain.append(c);
                continue;
            }
            char sign = inside.charAt(i++);
            switch (sign) {
                case 'b' -> plain.append('\b');
                case 'f' -> plain.append('\f');
                case 'n' -> plain.append('\n');
                case 'r' -> plain.append('\r');
                case 't' -> plain.append('\t');
                case '0', '1', '2', '3', '4', '5', '6', '7' -> i = number(inside, i - 1, 3, OCTAL, plain);
                case 'x' -> i = number(inside, i, 2, HEX, plain);
                case 'u' -> i = number(inside, i, 4, HEX, plain);
                case 'U' -> i = number(inside, i, 8, HEX, plain);
                default -> plain.append(sign);
            }
        }
        return plain.toString();
    }

    private static int number(String inside, int from, int most, int base, StringBuilder plain) {
        int end = from;
        while (end < inside.length() && end - from < most && Character.digit(inside.charAt(end), base) >= 0) {
            end++;
        }
        if (end == from) {
            plain.append(inside, from - 1, from);
            return from;
        }
        long point = Long.parseLong(inside.substring(from, end), base);
        plain.appendCodePoint(Character.isValidCodePoint((int) point) && point >= 0 ? (int) point : 0xFFFD);
        return end;
    }
}
