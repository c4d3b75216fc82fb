package entaxis.core.reading;

import entaxis.core.design.Target;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** The tokens of the statement that a {@link Scanner} stands at, read one after the other. */
final class Tokens {
    private static final int LONGEST = 63;
    private final Scanner scanner;
    private final char[] text;
    private final Lexis lexis;
    private final boolean lower;
    int at;
    int limit;

    Tokens(Scanner scanner, char[] text, Lexis lexis) {
        this.scanner = scanner;
        this.text = text;
        this.lexis = lexis;
        this.lower = lexis.engine() == Target.POSTGRESQL;
    }

    /** Goes to the first token of the statement. */
    void rewind() {
        at = 0;
        limit = scanner.count;
    }

    boolean atEnd() {
        return at >= limit;
    }

    byte kind(int token) {
        return token < limit ? scanner.kinds[token] : Scanner.END;
    }

    Word word() {
        return word(at);
    }

    Word word(int token) {
        return token < limit ? scanner.words[token] : Word.NONE;
    }

    boolean is(Word word) {
        return at < limit && scanner.words[at] == word;
    }

    boolean is(Word first, Word second) {
        return is(first) && word(at + 1) == second;
    }

    boolean accept(Word word) {
        if (at < limit && scanner.words[at] == word) {
            at++;
            return true;
        }
        return false;
    }

    boolean accept(Word first, Word second) {
        if (is(first, second)) {
            at += 2;
            return true;
        }
        return false;
    }

    boolean accept(Word first, Word second, Word third) {
        if (is(first, second) && word(at + 2) == third) {
            at += 3;
            return true;
        }
        return false;
    }

    void expect(Word word) {
        if (!accept(word)) {
            throw unreadable(word.name() + " is expected here");
        }
    }

    /** Whether the token at a place is this sign. */
    boolean sign(int token, char c) {
        return token < limit && scanner.kinds[token] == Scanner.SYMBOL && text[scanner.starts[token]] == c;
    }

    boolean sign(char c) {
        return sign(at, c);
    }

    boolean acceptSign(char c) {
        if (sign(at, c)) {
            at++;
            return true;
        }
        return false;
    }

    void expectSign(char c) {
        if (!acceptSign(c)) {
            throw unreadable("“" + c + "” is expected here");
        }
    }

    /** Whether the token at a place is a word that reads so, in any case of letters; for words too rare to be a {@link Word}. */
    boolean reads(int token, String word) {
        if (token >= limit || scanner.kinds[token] != Scanner.WORD || scanner.ends[token] - scanner.starts[token] != word.length()) {
            return false;
        }
        for (int i = 0; i < word.length(); i++) {
            if (Character.toUpperCase(text[scanner.starts[token] + i]) != word.charAt(i)) {
                return false;
            }
        }
        return true;
    }

    boolean acceptReading(String word) {
        if (reads(at, word)) {
            at++;
            return true;
        }
        return false;
    }

    /** Whether a name can stand at a place. */
    boolean isName(int token) {
        byte kind = kind(token);
        return kind == Scanner.WORD || kind == Scanner.NAME
                || kind == Scanner.STRING && (text[scanner.starts[token]] == '"' || lexis.engine() == Target.SQLITE)
                || kind == Scanner.NUMBER && lexis.isMySql() && !sign(token - 1, '-') && Character.isLetter(text[scanner.ends[token] - 1]);
    }

    /** The name that stands here, as the engine holds it; passes it. */
    String name() {
        if (!isName(at)) {
            throw unreadable(atEnd() ? "a name is expected, but the statement ends" : "a name is expected here");
        }
        return nameAt(at++);
    }

    /** The name at a place. */
    String nameAt(int token) {
        int from = scanner.starts[token];
        int to = scanner.ends[token];
        byte kind = scanner.kinds[token];
        if (kind == Scanner.WORD || kind == Scanner.NUMBER) {
            return lower ? cut(lowered(from, to)) : new String(text, from, to - from);
        }
        char close = text[to - 1];
        String inside = new String(text, from + 1, to - from - 2);
        String name = inside.indexOf(close) < 0 ? inside : inside.replace("" + close + close, "" + close);
        return lower ? cut(name) : name;
    }

    /** A name as PostgreSQL holds it: cut at 63 bytes (PostgreSQL manual, 4.1.1). */
    private static String cut(String name) {
        if (name.length() <= LONGEST / 4) {
            return name;
        }
        String cut = name;
        while (cut.getBytes(StandardCharsets.UTF_8).length > LONGEST) {
            int room = Math.min(cut.length() - 1, LONGEST);
            cut = cut.substring(0, cut.offsetByCodePoints(0, cut.codePointCount(0, room)));
        }
        return cut;
    }

    private String lowered(int from, int to) {
        for (int i = from; i < to; i++) {
            char c = text[i];
            if (c >= 'A' && c <= 'Z') {
                return new String(text, from, to - from).toLowerCase(Locale.ROOT);
            }
        }
        return new String(text, from, to - from);
    }

    /** Whether the token is a name in quotes. */
    boolean quoted(int token) {
        return kind(token) == Scanner.NAME;
    }

    /** Names in brackets, with commas between. */
    List<String> names() {
        expectSign('(');
        List<String> names = new ArrayList<>(2);
        do {
            names.add(name());
        } while (acceptSign(','));
        expectSign(')');
        return names;
    }

    /** The text of a quoted literal, passed; escapes are undone. */
    String string() {
        if (kind(at) != Scanner.STRING) {
            throw unreadable("a text in quotes is expected here");
        }
        return stringAt(at++);
    }

    String stringAt(int token) {
        int from = scanner.starts[token];
        int to = scanner.ends[token];
        if (text[from] == '$') {
            int tag = from + 1;
            while (text[tag] != '$') {
                tag++;
            }
            int length = tag + 1 - from;
            return new String(text, from + length, Math.max(0, to - from - 2 * length));
        }
        int quote = from;
        while (text[quote] != '\'' && text[quote] != '"') {
            quote++;
        }
        if (lexis.engine() == Target.ORACLE && quote > from && (text[quote - 1] & ~0x20) == 'Q' && to - quote >= 4) {
            return new String(text, quote + 2, to - quote - 4);
        }
        char close = text[quote];
        boolean escapes = lexis.backslash() || quote > from && (text[quote - 1] & ~0x20) == 'E';
        String inside = new String(text, quote + 1, Math.max(0, to - quote - 2));
        if (inside.indexOf(close) >= 0) {
            inside = inside.replace("" + close + close, "" + close);
        }
        return escapes && inside.indexOf('\\') >= 0 ? unescaped(inside) : inside;
    }

    private static String unescaped(String inside) {
        StringBuilder plain = new StringBuilder(inside.length());
        for (int i = 0; i < inside.length(); i++) {
            char c = inside.charAt(i);
            if (c != '\\' || i + 1 == inside.length()) {
                plain.append(c);
                continue;
            }
            char escaped = inside.charAt(++i);
            plain.append(switch (escaped) {
                case 'n' -> '\n';
                case 't' -> '\t';
                case 'r' -> '\r';
                case '0' -> '\0';
                case 'b' -> '\b';
                default -> escaped;
            });
        }
        return plain.toString();
    }

    /** Passes a bracketed run; the cursor stands before its opening bracket. */
    void skipRound() {
        skip('(', ')');
    }

    /** The same in square brackets. */
    void skipSquare() {
        skip('[', ']');
    }

    private void skip(char opening, char closing) {
        int open = at;
        int depth = 0;
        do {
            if (sign(at, opening)) {
                depth++;
            } else if (sign(at, closing)) {
                depth--;
            }
            at++;
            if (at > limit) {
                at = open;
                throw unreadable("the bracket that opens here is not closed");
            }
        } while (depth > 0);
    }

    /** The text from one token to another, as written, with comments left out and white space drawn together; {@code to} is not part of it. */
    String text(int from, int to) {
        if (from >= to) {
            return "";
        }
        boolean tidy = !markedTexts(from, to);
        for (int i = scanner.starts[from]; tidy && i + 1 < scanner.ends[to - 1]; i++) {
            char c = text[i];
            tidy = c != '\n' && c != '\r' && c != '\t' && !(c == ' ' && text[i + 1] == ' ') && !(c == '-' && text[i + 1] == '-') && !(c == '/' && text[i + 1] == '*')
                    && !(c == '*' && text[i + 1] == '/') && c != '#';
        }
        if (tidy) {
            return new String(text, scanner.starts[from], scanner.ends[to - 1] - scanner.starts[from]);
        }
        StringBuilder words = new StringBuilder();
        for (int i = from; i < to; i++) {
            if (i > from && scanner.starts[i] > scanner.ends[i - 1]) {
                words.append(' ');
            }
            if (markedText(i)) {
                words.append('\'').append(stringAt(i).replace("'", "''")).append('\'');
            } else {
                words.append(text, scanner.starts[i], scanner.ends[i] - scanner.starts[i]);
            }
        }
        return words.toString();
    }

    private boolean markedTexts(int from, int to) {
        boolean marked = false;
        for (int i = from; i < to && !marked; i++) {
            marked = markedText(i);
        }
        return marked;
    }

    /** A text that only this engine writes so: between dollars, with escapes, in Oracle's quotes. What it says can be written in plain quotes too. */
    private boolean markedText(int token) {
        if (scanner.kinds[token] != Scanner.STRING) {
            return false;
        }
        char first = text[scanner.starts[token]];
        return switch (lexis.engine()) {
            case POSTGRESQL -> first == '$' || first == 'E' || first == 'e';
            case ORACLE -> first == 'q' || first == 'Q';
            case MYSQL, MARIADB -> first == '"';
            default -> false;
        };
    }

    /** The text from one token to another just as it stands, comments and lines included. */
    String verbatim(int from, int to) {
        return from >= to ? "" : new String(text, scanner.starts[from], scanner.ends[to - 1] - scanner.starts[from]);
    }

    /** A condition or expression in round brackets, without them; passes both. */
    String inRound() {
        int open = at;
        if (!sign('(')) {
            throw unreadable("a bracket is expected here");
        }
        skipRound();
        return text(open + 1, at - 1);
    }

    /** Where a token begins in the script; behind the last one, where the statement ends. */
    int offset(int token) {
        return token < limit ? scanner.starts[token] : limit > 0 ? scanner.ends[limit - 1] : scanner.start();
    }

    /** A few words from a token on, to show where reading stopped. */
    String excerpt(int token) {
        if (token >= limit) {
            return limit == 0 ? "" : verbatim(limit - 1, limit);
        }
        int last = Math.min(limit, token + 12);
        int from = scanner.starts[token];
        int to = Math.min(scanner.ends[last - 1], from + 80);
        return new String(text, from, to - from).lines().findFirst().orElse("").strip();
    }

    Unreadable amiss(String reason) {
        return Unreadable.amiss(Math.min(at, limit), reason);
    }

    Unreadable unreadable(String reason) {
        return new Unreadable(Math.min(at, limit), reason);
    }
}
