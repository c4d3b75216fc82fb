package entaxis.core.sql;

import entaxis.core.design.SqlName;

/** Names in quotes that only some engines have, put into those of ISO SQL. */
public final class NameQuotes {
    private NameQuotes() { }

    /** Names in an engine's own quotes put into those of ISO, and marks before texts left out. Linear. */
    public static String standard(String text, char open, char close) {
        StringBuilder plain = new StringBuilder(text.length());
        for (int i = 0; i < text.length();) {
            char c = text.charAt(i);
            boolean string = c == '\'';
            if (!string && c != open) {
                boolean mark = (c == 'N' || c == 'n') && i + 1 < text.length() && text.charAt(i + 1) == '\''
                        && (i == 0 || !Character.isLetterOrDigit(text.charAt(i - 1)));
                if (!mark) {
                    plain.append(c);
                }
                i++;
                continue;
            }
            char end = string ? c : close;
            StringBuilder inside = new StringBuilder();
            i++;
            while (i < text.length()) {
                char next = text.charAt(i++);
                if (next != end) {
                    inside.append(next);
                } else if (i < text.length() && text.charAt(i) == end) {
                    inside.append(next);
                    i++;
                } else {
                    break;
                }
            }
            plain.append(string ? Dialect.quotedText(inside.toString()) : SqlName.quoted(inside.toString()));
        }
        return plain.toString();
    }
}
