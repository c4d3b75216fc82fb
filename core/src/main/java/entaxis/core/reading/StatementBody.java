package entaxis.core.reading;

import entaxis.core.design.Target;

/** What the semicolons inside a statement mean: whether it has a body of statements, and whether that is still open. Each token is looked at once. */
final class StatementBody {
    private static final int UNKNOWN_LINE = -2;
    /** How many tokens of a statement may say what it creates. */
    private static final int HEAD = 14;
    private final String text;
    private final Target engine;
    private Kind kind = Kind.UNKNOWN;
    private int seen;
    private int depth;
    private boolean begun;
    /** Where the next line with a slash alone begins, as far as it was looked for; negative if there is none. */
    private int slashLine = UNKNOWN_LINE;

    private enum Kind { UNKNOWN, NONE, NESTED, COMPOUND, TO_SLASH, TO_GO, ROUND }

    StatementBody(String text, Target engine) {
        this.text = text;
        this.engine = engine;
    }

    /** Begins a statement. */
    void begin() {
        kind = Kind.UNKNOWN;
        seen = 0;
        depth = 0;
        begun = false;
    }

    /** Whether the semicolon at a place stands inside the body of the statement that has been cut so far. */
    boolean isOpen(CutStatement cut, int at) {
        if (kind == Kind.UNKNOWN) {
            kind = cut.count == 0 ? Kind.NONE : classify(cut, at);
        }
        return switch (kind) {
            case NONE, UNKNOWN -> false;
            case TO_SLASH, TO_GO -> true;
            case NESTED -> openNested(cut);
            case COMPOUND -> openCompound(cut);
            case ROUND -> openRound(cut);
        };
    }

    /** Whether it is a compound statement that is still open where the script ends. */
    boolean isUnclosed(CutStatement cut) {
        return kind == Kind.COMPOUND && openCompound(cut);
    }

    private Kind classify(CutStatement cut, int at) {
        if (engine == Target.ORACLE && (cut.word(0) == Word.DECLARE || cut.word(0) == Word.BEGIN)) {
            return hasSlashLine(at) ? Kind.TO_SLASH : Kind.NESTED;
        }
        if (engine == Target.MARIADB && cut.word(0) == Word.BEGIN && cut.count > 1 && cut.word(1) == Word.NOT) {
            return Kind.NESTED;
        }
        if (engine == Target.MARIADB && compound(cut.word(0))) {
            return Kind.COMPOUND;
        }
        if (cut.word(0) != Word.CREATE && !(engine == Target.SQLSERVER && cut.word(0) == Word.ALTER)) {
            return Kind.NONE;
        }
        for (int i = 1; i < Math.min(cut.count, HEAD); i++) {
            switch (cut.word(i)) {
                case TRIGGER, FUNCTION, PROCEDURE, PROC, EVENT, PACKAGE -> {
                    return switch (engine) {
                        case SQLSERVER -> Kind.TO_GO;
                        case ORACLE -> hasSlashLine(at) ? Kind.TO_SLASH : Kind.NESTED;
                        default -> Kind.NESTED;
                    };
                }
                case JAVA -> {
                    return engine == Target.ORACLE && hasSlashLine(at) ? Kind.TO_SLASH : Kind.NONE;
                }
                case TYPE -> {
                    return engine == Target.ORACLE && i + 1 < cut.count && cut.word(i + 1) == Word.BODY ? hasSlashLine(at) ? Kind.TO_SLASH : Kind.NESTED : Kind.NONE;
                }
                case RULE -> {
                    return engine == Target.POSTGRESQL ? Kind.ROUND : Kind.NONE;
                }
                case VIEW -> {
                    return engine == Target.SQLSERVER ? Kind.TO_GO : Kind.NONE;
                }
                case TABLE, INDEX, DATABASE, SCHEMA, SEQUENCE, USER, ROLE, DOMAIN, EXTENSION -> {
                    return Kind.NONE;
                }
                default -> { }
            }
        }
        return Kind.NONE;
    }

    private boolean openNested(CutStatement cut) {
        for (; seen < cut.count; seen++) {
            switch (cut.word(seen)) {
                case BEGIN, CASE -> {
                    boolean ending = seen > 0 && cut.word(seen - 1) == Word.END;
                    if (!ending) {
                        depth++;
                    }
                    begun |= cut.word(seen) == Word.BEGIN;
                }
                case END -> {
                    Word after = seen + 1 < cut.count ? cut.word(seen + 1) : Word.NONE;
                    if (after != Word.IF && after != Word.LOOP && after != Word.WHILE && after != Word.REPEAT) {
                        depth--;
                    }
                }
                default -> { }
            }
        }
        boolean oracleHead = engine == Target.ORACLE && !begun;
        return depth > 0 || oracleHead;
    }

    /** Whether a statement that begins so goes on to its END (MariaDB manual, “Using Compound Statements Outside of Stored Programs”). */
    static boolean compound(Word word) {
        return switch (word) {
            case IF, WHILE, LOOP, FOR, CASE, REPEAT -> true;
            default -> false;
        };
    }

    /** Every statement of several that begins inside is ended by an END, which says once more what it ends. */
    private boolean openCompound(CutStatement cut) {
        for (; seen < cut.count; seen++) {
            Word before = seen == 0 ? Word.NONE : cut.word(seen - 1);
            boolean first = seen == 0 || cut.is(seen - 1, ';') || before == Word.THEN || before == Word.ELSE || before == Word.DO || before == Word.BEGIN
                    || before == Word.LOOP;
            if (cut.word(seen) == Word.END) {
                depth--;
            } else if (before != Word.END && (first && (compound(cut.word(seen)) || cut.word(seen) == Word.BEGIN) || cut.word(seen) == Word.CASE)) {
                depth++;
            }
        }
        return depth > 0;
    }

    private boolean openRound(CutStatement cut) {
        for (; seen < cut.count; seen++) {
            depth += cut.is(seen, '(') ? 1 : cut.is(seen, ')') ? -1 : 0;
        }
        return depth > 0;
    }

    private boolean hasSlashLine(int at) {
        if (slashLine == UNKNOWN_LINE || slashLine >= 0 && slashLine < at) {
            int line = at;
            slashLine = -1;
            while (line < text.length() && slashLine < 0) {
                while (line < text.length() && text.charAt(line) != '\n') {
                    line++;
                }
                line++;
                if (line < text.length() && text.charAt(line) == '/' && restOfLineIsBlank(text, line + 1)) {
                    slashLine = line;
                }
            }
        }
        return slashLine >= 0;
    }

    /** Whether nothing but blanks stands from a place to the end of its line. */
    static boolean restOfLineIsBlank(String text, int from) {
        for (int i = from; i < text.length() && text.charAt(i) != '\n'; i++) {
            if (text.charAt(i) > ' ') {
                return false;
            }
        }
        return true;
    }
}
