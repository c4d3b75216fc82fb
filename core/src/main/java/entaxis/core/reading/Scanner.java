package entaxis.core.reading;

import entaxis.core.design.Target;
import java.util.Arrays;

/**
 * Cuts a script into statements and each statement into tokens, which it keeps in arrays that are used again for the next statement: a script of any length takes the memory of
 * its longest statement. Every sign is looked at a bounded number of times, so it runs in linear time whatever it is given.
 */
final class Scanner {
    /** Kinds of token. */
    static final byte WORD = 1;
    static final byte NAME = 2;
    static final byte STRING = 3;
    static final byte NUMBER = 4;
    static final byte SYMBOL = 5;
    static final byte BROKEN = 6;
    static final byte END = 0;

    private static final byte SPACE = 1;
    private static final byte LETTER = 2;
    private static final byte DIGIT = 3;

    private final char[] text;
    private final Lexis lexis;
    private final byte[] classes = new byte[128];
    private int at;
    private String delimiter = ";";
    private boolean backslash;
    private boolean doubleIsText;
    private int executed;
    private int slashLine = -2;

    byte[] kinds = new byte[256];
    Word[] words = new Word[256];
    int[] starts = new int[256];
    int[] ends = new int[256];
    int count;
    /** Whether the statement is a command of the engine's client rather than SQL. */
    boolean client;
    /** Whether something followed the statement that ends it. */
    boolean ended;
    private int start;

    private Body body = Body.UNKNOWN;
    private int bodySeen;
    private int bodyDepth;
    private boolean bodyBegun;

    /** What a statement's inner semicolons mean. */
    private enum Body { UNKNOWN, NONE, NESTED, COMPOUND, TO_SLASH, TO_GO, ROUND }

    Scanner(char[] text, Lexis lexis) {
        this.text = text;
        this.lexis = lexis;
        this.backslash = lexis.backslash();
        this.doubleIsText = lexis.doubleIsText();
        for (char c = 0; c < 128; c++) {
            classes[c] = c <= ' ' ? SPACE : c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z' || c == '_' ? LETTER : c >= '0' && c <= '9' ? DIGIT : 0;
        }
        lexis.signs().chars().forEach(c -> classes[c] = LETTER);
        if (lexis.dollarTexts()) {
            classes['$'] = 0;
        }
        if (text.length > 0 && text[0] == '\uFEFF') {
            at = 1;
        }
    }

    /** Makes backslashes escape in texts, or not: PostgreSQL manual, standard_conforming_strings; MySQL manual, NO_BACKSLASH_ESCAPES. */
    void backslashEscapes(boolean now) {
        backslash = now;
    }

    /** Makes double quotes stand around names: MySQL manual, ANSI_QUOTES. */
    void doubleQuotesName() {
        doubleIsText = false;
    }

    /** Where the statement begins. */
    int start() {
        return start;
    }

    /** Where the script has been read to. */
    int position() {
        return at;
    }

    char signAt(int offset) {
        return text[offset];
    }

    String between(int from, int to) {
        int end = to > from && text[to - 1] == '\r' ? to - 1 : to;
        return new String(text, from, end - from);
    }

    /** Goes to the next statement that is not empty; false at the end of the script. */
    boolean next() {
        do {
            if (!statement()) {
                return false;
            }
        } while (count == 0 && !client);
        return true;
    }

    private boolean statement() {
        count = 0;
        client = false;
        ended = false;
        body = Body.UNKNOWN;
        bodySeen = 0;
        bodyDepth = 0;
        bodyBegun = false;
        skipSpace();
        if (at >= text.length) {
            return false;
        }
        start = at;
        if (clientCommand()) {
            client = true;
            ended = true;
            return true;
        }
        while (at < text.length) {
            char c = text[at];
            if (c < 128 && classes[c] == SPACE) {
                at++;
                continue;
            }
            if (c == '-' || c == '/' || c == '#' || c == '*') {
                if (comment(c)) {
                    continue;
                }
            }
            if (atDelimiter(c)) {
                if (delimiter.equals(";") && !ends()) {
                    continue;
                }
                at += delimiter.length();
                ended = true;
                return true;
            }
            if (lineOfItsOwn(c)) {
                ended = true;
                return true;
            }
            token(c);
        }
        return true;
    }

    private boolean atDelimiter(char c) {
        return c == delimiter.charAt(0) && delimiterAt(at);
    }

    /** Whether what ends statements stands at a place; the client looks for it also inside words, as in {@code END$$} (MySQL manual, “Defining Stored Programs”). */
    private boolean delimiterAt(int place) {
        for (int i = 0; i < delimiter.length(); i++) {
            if (place + i >= text.length || text[place + i] != delimiter.charAt(i)) {
                return false;
            }
        }
        return true;
    }

    private void skipSpace() {
        while (at < text.length) {
            char c = text[at];
            if (c < 128 ? classes[c] == SPACE : Character.isWhitespace(c) || c == '\uFEFF') {
                at++;
            } else if (c == '-' || c == '/' || c == '#' || c == '*') {
                if (!comment(c)) {
                    return;
                }
            } else {
                return;
            }
        }
    }

    /** Passes a comment, if one begins here. Comments of MySQL that its server runs are entered rather than passed (MySQL manual, “Comments”). */
    private boolean comment(char c) {
        char second = at + 1 < text.length ? text[at + 1] : 0;
        if (c == '-' && second == '-') {
            if (lexis.strictDashes() && at + 2 < text.length && text[at + 2] > ' ') {
                return false;
            }
            toLineEnd();
            return true;
        }
        if (c == '#' && lexis.hashComment()) {
            toLineEnd();
            return true;
        }
        if (c == '*' && second == '/' && executed > 0) {
            executed--;
            at += 2;
            return true;
        }
        if (c != '/' || second != '*') {
            return false;
        }
        if (lexis.isMySql() && entersExecuted()) {
            return true;
        }
        int open = at;
        int depth = 1;
        at += 2;
        while (at < text.length && depth > 0) {
            char inside = text[at++];
            if (inside == '*' && at < text.length && text[at] == '/') {
                depth--;
                at++;
            } else if (lexis.nested() && inside == '/' && at < text.length && text[at] == '*') {
                depth++;
                at++;
            }
        }
        if (depth > 0) {
            add(BROKEN, Word.NONE, open, text.length);
        }
        return true;
    }

    private boolean entersExecuted() {
        int from = at + 2;
        if (from < text.length && text[from] == 'M' && from + 1 < text.length && text[from + 1] == '!') {
            if (lexis.engine() != Target.MARIADB) {
                return false;
            }
            from++;
        } else if (from >= text.length || text[from] != '!') {
            return false;
        }
        from++;
        int digits = from;
        int version = 0;
        while (digits < text.length && digits < from + 6 && text[digits] >= '0' && text[digits] <= '9') {
            version = version * 10 + text[digits] - '0';
            digits++;
        }
        boolean onlyMySql = lexis.engine() == Target.MARIADB && version >= 50700 && version <= 50999;
        if (onlyMySql) {
            return false;
        }
        executed++;
        at = digits;
        return true;
    }

    private void toLineEnd() {
        while (at < text.length && text[at] != '\n') {
            at++;
        }
    }

    /** Whether the semicolon here ends the statement, rather than a statement inside its body. */
    private boolean ends() {
        if (body == Body.UNKNOWN) {
            body = count == 0 ? Body.NONE : classify();
        }
        boolean inside = switch (body) {
            case NONE, UNKNOWN -> false;
            case TO_SLASH, TO_GO -> true;
            case NESTED -> open();
            case COMPOUND -> openCompound();
            case ROUND -> openRound();
        };
        if (inside) {
            add(SYMBOL, Word.NONE, at, at + 1);
            at++;
        }
        return !inside;
    }

    private Body classify() {
        int i = 0;
        Target engine = lexis.engine();
        if (engine == Target.ORACLE && (words[0] == Word.DECLARE || words[0] == Word.BEGIN)) {
            return hasSlashLine() ? Body.TO_SLASH : Body.NESTED;
        }
        if (engine == Target.MARIADB && words[0] == Word.BEGIN && count > 1 && words[1] == Word.NOT) {
            return Body.NESTED;
        }
        if (engine == Target.MARIADB && compound(words[0])) {
            return Body.COMPOUND;
        }
        if (words[0] != Word.CREATE && !(engine == Target.SQLSERVER && words[0] == Word.ALTER)) {
            return Body.NONE;
        }
        for (i = 1; i < Math.min(count, 14); i++) {
            switch (words[i]) {
                case TRIGGER, FUNCTION, PROCEDURE, PROC, EVENT, PACKAGE -> {
                    return switch (engine) {
                        case SQLSERVER -> Body.TO_GO;
                        case ORACLE -> hasSlashLine() ? Body.TO_SLASH : Body.NESTED;
                        default -> Body.NESTED;
                    };
                }
                case JAVA -> {
                    return engine == Target.ORACLE && hasSlashLine() ? Body.TO_SLASH : Body.NONE;
                }
                case TYPE -> {
                    return engine == Target.ORACLE && i + 1 < count && words[i + 1] == Word.BODY ? hasSlashLine() ? Body.TO_SLASH : Body.NESTED : Body.NONE;
                }
                case RULE -> {
                    return engine == Target.POSTGRESQL ? Body.ROUND : Body.NONE;
                }
                case VIEW -> {
                    return engine == Target.SQLSERVER ? Body.TO_GO : Body.NONE;
                }
                case TABLE, INDEX, DATABASE, SCHEMA, SEQUENCE, USER, ROLE, DOMAIN, EXTENSION -> {
                    return Body.NONE;
                }
                default -> { }
            }
        }
        return Body.NONE;
    }

    private boolean open() {
        for (; bodySeen < count; bodySeen++) {
            switch (words[bodySeen]) {
                case BEGIN, CASE -> {
                    boolean ending = bodySeen > 0 && words[bodySeen - 1] == Word.END;
                    if (!ending) {
                        bodyDepth++;
                    }
                    bodyBegun |= words[bodySeen] == Word.BEGIN;
                }
                case END -> {
                    Word after = bodySeen + 1 < count ? words[bodySeen + 1] : Word.NONE;
                    if (after != Word.IF && after != Word.LOOP && after != Word.WHILE && after != Word.REPEAT) {
                        bodyDepth--;
                    }
                }
                default -> { }
            }
        }
        boolean oracleHead = lexis.engine() == Target.ORACLE && !bodyBegun;
        return bodyDepth > 0 || oracleHead;
    }

    /** Whether a statement that begins so goes on to its END (MariaDB manual, “Using Compound Statements Outside of Stored Programs”). */
    static boolean compound(Word word) {
        return switch (word) {
            case IF, WHILE, LOOP, FOR, CASE, REPEAT -> true;
            default -> false;
        };
    }

    /** Whether a compound statement is still open where the script ends. */
    boolean unclosed() {
        return body == Body.COMPOUND && !ended && openCompound();
    }

    /** Every statement of several that begins inside is ended by an END, which says once more what it ends. */
    private boolean openCompound() {
        for (; bodySeen < count; bodySeen++) {
            Word before = bodySeen == 0 ? Word.NONE : words[bodySeen - 1];
            boolean first = bodySeen == 0 || kinds[bodySeen - 1] == SYMBOL && text[starts[bodySeen - 1]] == ';' || before == Word.THEN || before == Word.ELSE || before == Word.DO || before == Word.BEGIN
                    || before == Word.LOOP;
            if (words[bodySeen] == Word.END) {
                bodyDepth--;
            } else if (before != Word.END && (first && (compound(words[bodySeen]) || words[bodySeen] == Word.BEGIN) || words[bodySeen] == Word.CASE)) {
                bodyDepth++;
            }
        }
        return bodyDepth > 0;
    }

    private boolean openRound() {
        for (; bodySeen < count; bodySeen++) {
            if (kinds[bodySeen] == SYMBOL) {
                bodyDepth += text[starts[bodySeen]] == '(' ? 1 : text[starts[bodySeen]] == ')' ? -1 : 0;
            }
        }
        return bodyDepth > 0;
    }

    private boolean hasSlashLine() {
        if (slashLine == -2 || slashLine >= 0 && slashLine < at) {
            int line = at;
            slashLine = -1;
            while (line < text.length && slashLine < 0) {
                while (line < text.length && text[line] != '\n') {
                    line++;
                }
                line++;
                if (line < text.length && text[line] == '/' && restOfLineIsBlank(line + 1)) {
                    slashLine = line;
                }
            }
        }
        return slashLine >= 0;
    }

    /** Ends a statement at GO (SQL Server documentation, “GO”), a slash (Oracle SQL*Plus, “/”) or a backslash command (PostgreSQL manual, psql) on a line of its own. */
    private boolean lineOfItsOwn(char c) {
        return switch (lexis.engine()) {
            case SQLSERVER -> (c == 'G' || c == 'g') && goLine();
            case ORACLE -> c == '/' && atLineStart() && restOfLineIsBlank(at + 1) && pass(1);
            case POSTGRESQL -> c == '\\' && at + 1 < text.length && text[at + 1] < 128 && classes[text[at + 1]] == LETTER && passLine();
            default -> false;
        };
    }

    private boolean goLine() {
        if (at + 1 >= text.length || (text[at + 1] & ~0x20) != 'O' || !atLineStart()) {
            return false;
        }
        int after = at + 2;
        while (after < text.length && (text[after] == ' ' || text[after] == '\t' || text[after] >= '0' && text[after] <= '9' || text[after] == ';')) {
            after++;
        }
        boolean go = (after >= text.length || text[after] == '\r' || text[after] == '\n' || text[after] == '-')
                && (at + 2 >= text.length || classOf(text[at + 2]) != LETTER && classOf(text[at + 2]) != DIGIT);
        return go && passLine();
    }

    private boolean pass(int signs) {
        at += signs;
        return true;
    }

    private boolean passLine() {
        toLineEnd();
        return true;
    }

    private byte classOf(char c) {
        return c < 128 ? classes[c] : Character.isLetterOrDigit(c) || Character.isSurrogate(c) ? LETTER : Character.isWhitespace(c) ? SPACE : 0;
    }

    private boolean atLineStart() {
        for (int i = at - 1; i >= 0 && text[i] != '\n'; i--) {
            if (text[i] > ' ') {
                return false;
            }
        }
        return true;
    }

    private boolean restOfLineIsBlank(int from) {
        for (int i = from; i < text.length && text[i] != '\n'; i++) {
            if (text[i] > ' ') {
                return false;
            }
        }
        return true;
    }

    /** Takes a command of the engine's client where a statement could begin; the script's own statements never begin so. */
    private boolean clientCommand() {
        return switch (lexis.engine()) {
            case POSTGRESQL -> text[at] == '\\' && passLine();
            case SQLITE -> text[at] == '.' && passLine();
            case MYSQL, MARIADB -> text[at] == '\\' && passLine() || delimiterCommand() || begins("source ") && passLine();
            case SQLSERVER -> text[at] == ':' && passLine() || goLine();
            case ORACLE -> text[at] == '@' && passLine() || text[at] == '/' && restOfLineIsBlank(at + 1) && passLine() || sqlPlus();
            case H2, ISO -> false;
        };
    }

    private boolean sqlPlus() {
        boolean set = begins("set ") && !begins("set constraint") && !begins("set role") && !begins("set transaction");
        return (set || begins("rem ") || begins("rem\n") || begins("rem\r") || begins("remark") || begins("prompt") || begins("spool") || begins("whenever ") || begins("exit")
                || begins("quit") || begins("define ") || begins("undefine ") || begins("accept ") || begins("column ") || begins("connect ") || begins("conn ") || begins("show ")
                || begins("host ") || begins("variable ") || begins("clear ") || begins("start ") || begins("disconnect")) && passLine();
    }

    private boolean begins(String words) {
        if (at + words.length() > text.length) {
            return false;
        }
        for (int i = 0; i < words.length(); i++) {
            char c = text[at + i];
            char wanted = words.charAt(i);
            if (Character.toLowerCase(c) != wanted && !(wanted == ' ' && c == '\t')) {
                return false;
            }
        }
        return true;
    }

    /** MySQL manual, “mysql Client Commands”: DELIMITER. */
    private boolean delimiterCommand() {
        if (!begins("delimiter ")) {
            return false;
        }
        int from = at + "delimiter".length();
        toLineEnd();
        String sign = new String(text, from, at - from).strip();
        int blank = sign.indexOf(' ');
        delimiter = sign.isEmpty() ? ";" : blank < 0 ? sign : sign.substring(0, blank);
        return true;
    }

    /** Passes the lines that follow COPY ... FROM STDIN up to the one that ends them; gives the place where that one begins. PostgreSQL manual, COPY. */
    int data() {
        toLineEnd();
        while (at < text.length) {
            at++;
            int line = at;
            toLineEnd();
            int length = at - line - (at > line && text[at - 1] == '\r' ? 1 : 0);
            if (length == 2 && text[line] == '\\' && text[line + 1] == '.') {
                return line;
            }
        }
        return text.length;
    }

    private void token(char c) {
        int from = at;
        byte sort = classOf(c);
        if (sort == LETTER) {
            word(from);
        } else if (sort == DIGIT || c == '.' && at + 1 < text.length && text[at + 1] >= '0' && text[at + 1] <= '9') {
            number(from);
        } else if (c == '\'') {
            quoted(from, from, '\'', STRING, backslash);
        } else if (c == '"') {
            quoted(from, from, '"', doubleIsText ? STRING : NAME, doubleIsText && backslash);
        } else if (c == '`' && lexis.backticks()) {
            quoted(from, from, '`', NAME, false);
        } else if (c == '[' && lexis.squares()) {
            quoted(from, from, ']', NAME, false);
        } else if (c == '$' && lexis.dollarTexts() && dollar(from) || c == '@' && lexis.dollarTexts() && placeholder(from)) {
            return;
        } else if (sort == SPACE) {
            at++;
        } else {
            at++;
            add(SYMBOL, Word.NONE, from, at);
        }
    }

    /** A name still to be filled in, such as that of an extension's schema: {@code @extschema@} (PostgreSQL manual, Packaging Related Objects into an Extension). */
    private boolean placeholder(int from) {
        int i = from + 1;
        while (i < text.length && (classOf(text[i]) == LETTER || classOf(text[i]) == DIGIT || text[i] == ':' && i > from + 1)) {
            i++;
        }
        if (i == from + 1 || i >= text.length || text[i] != '@') {
            return false;
        }
        at = i + 1;
        add(WORD, Word.NONE, from, at);
        return true;
    }

    private void word(int from) {
        int sum = 0;
        int i = from;
        char[] signs = text;
        char stop = delimiter.charAt(0);
        while (i < signs.length) {
            char c = signs[i];
            if (c == stop && i > from && delimiterAt(i)) {
                break;
            }
            if (c < 128) {
                byte sort = classes[c];
                if (sort != LETTER && sort != DIGIT && !(c == '$' && lexis.dollarTexts())) {
                    break;
                }
                sum = sum * 31 + (c & ~0x20);
            } else if (Character.isLetterOrDigit(c) || Character.isSurrogate(c) || Character.getType(c) == Character.NON_SPACING_MARK) {
                sum = sum * 31 + c;
            } else {
                break;
            }
            i++;
        }
        at = i;
        if (i < text.length && text[i] == '\'' && i - from <= 2 && prefix(from, i)) {
            return;
        }
        add(WORD, Word.at(text, from, i, sum), from, i);
    }

    /** A text marked by letters before its quote: {@code N'', E'', B'', X'', q'[]'}. */
    private boolean prefix(int from, int quote) {
        char mark = Character.toLowerCase(text[quote - 1]);
        char first = Character.toLowerCase(text[from]);
        if (quote - from == 2 && !(first == 'n' && mark == 'q')) {
            return false;
        }
        if (mark == 'q' && lexis.engine() == Target.ORACLE) {
            oracleQuoted(from, quote);
            return true;
        }
        if (quote - from == 2 || "nbxe".indexOf(mark) < 0) {
            return false;
        }
        quoted(from, quote, '\'', STRING, backslash || mark == 'e' && lexis.engine() == Target.POSTGRESQL);
        return true;
    }

    /** Oracle Database SQL Language Reference, “Text Literals”: {@code q'[...]'}. */
    private void oracleQuoted(int from, int quote) {
        char open = quote + 1 < text.length ? text[quote + 1] : 0;
        char close = switch (open) {
            case '[' -> ']';
            case '(' -> ')';
            case '{' -> '}';
            case '<' -> '>';
            default -> open;
        };
        at = quote + 2;
        while (at + 1 < text.length && !(text[at] == close && text[at + 1] == '\'')) {
            at++;
        }
        boolean closed = at + 1 < text.length;
        at = Math.min(text.length, at + 2);
        add(closed ? STRING : BROKEN, Word.NONE, from, at);
    }

    private void number(int from) {
        while (at < text.length) {
            char c = text[at];
            boolean sign = (c == '+' || c == '-') && at > from && (text[at - 1] & ~0x20) == 'E' && !(from + 1 < text.length && (text[from + 1] & ~0x20) == 'X');
            if (c != '.' && !sign && (c >= 128 || classes[c] != DIGIT && classes[c] != LETTER)) {
                break;
            }
            at++;
        }
        add(NUMBER, Word.NONE, from, at);
    }

    private void quoted(int from, int quote, char close, byte kind, boolean escapes) {
        int i = quote + 1;
        while (i < text.length) {
            char c = text[i++];
            if (c == '\\' && escapes) {
                i++;
            } else if (c == close) {
                if (i >= text.length || text[i] != close) {
                    at = i;
                    add(kind, Word.NONE, from, i);
                    return;
                }
                i++;
            }
        }
        at = text.length;
        add(BROKEN, Word.NONE, from, at);
    }

    private boolean dollar(int from) {
        int tagEnd = from + 1;
        while (tagEnd < text.length && text[tagEnd] != '$' && (classOf(text[tagEnd]) == LETTER || classOf(text[tagEnd]) == DIGIT)) {
            tagEnd++;
        }
        if (tagEnd >= text.length || text[tagEnd] != '$') {
            return false;
        }
        int length = tagEnd + 1 - from;
        for (int i = tagEnd + 1; i + length <= text.length; i++) {
            if (text[i] == '$' && Arrays.equals(text, from, from + length, text, i, i + length)) {
                at = i + length;
                add(STRING, Word.NONE, from, at);
                return true;
            }
        }
        at = text.length;
        add(BROKEN, Word.NONE, from, at);
        return true;
    }

    private void add(byte kind, Word word, int from, int to) {
        if (count == kinds.length) {
            int size = count * 2;
            kinds = Arrays.copyOf(kinds, size);
            words = Arrays.copyOf(words, size);
            starts = Arrays.copyOf(starts, size);
            ends = Arrays.copyOf(ends, size);
        }
        kinds[count] = kind;
        words[count] = word;
        starts[count] = from;
        ends[count] = to;
        count++;
    }
}
