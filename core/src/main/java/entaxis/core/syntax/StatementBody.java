package entaxis.core.syntax;

import entaxis.core.token.Keyword;

/**
 * What the semicolons inside a statement mean: whether it has a body of statements, and whether that is still open.
 * Each token is looked at once.
 */
final class StatementBody {
    private static final int UNKNOWN_LINE = -2;
    /** How many tokens of a statement may say what it creates. */
    private static final int HEAD = 14;
    private final String text;
    private final ScriptSyntax syntax;
    private Kind kind = Kind.UNKNOWN;
    private int seen;
    private int depth;
    private boolean begun;
    /** Where the next line with a slash alone begins, as far as it was looked for; negative if there is none. */
    private int slashLine = UNKNOWN_LINE;

    private enum Kind { UNKNOWN, NONE, NESTED, COMPOUND, TO_SLASH, TO_GO, ROUND }

    StatementBody(String text, ScriptSyntax syntax) {
        this.text = text;
        this.syntax = syntax;
    }

    /** Begins a statement. */
    void begin() {
        kind = Kind.UNKNOWN;
        seen = 0;
        depth = 0;
        begun = false;
    }

    /** Whether the semicolon at a place stands inside the body of the statement that has been cut so far. */
    boolean isOpen(TokenizedStatement cut, int at) {
        if (kind == Kind.UNKNOWN) {
            kind = cut.count() == 0 ? Kind.NONE : classify(cut, at);
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
    boolean isUnclosed(TokenizedStatement cut) {
        return kind == Kind.COMPOUND && openCompound(cut);
    }

    private Kind classify(TokenizedStatement cut, int at) {
        Keyword first = cut.word(0);
        boolean blocks = syntax.takes(SyntaxRule.BLOCKS);
        boolean toBatchEnd = syntax.takes(SyntaxRule.BODY_TO_BATCH_END);
        boolean compounds = syntax.takes(SyntaxRule.COMPOUND_STATEMENTS);
        if (blocks && (first == Keyword.DECLARE || first == Keyword.BEGIN)) {
            return ofBlock(at);
        }
        if (compounds && first == Keyword.BEGIN && cut.count() > 1 && cut.word(1) == Keyword.NOT) {
            return Kind.NESTED;
        }
        if (compounds && compound(first)) {
            return Kind.COMPOUND;
        }
        if (first != Keyword.CREATE && !(toBatchEnd && first == Keyword.ALTER)) {
            return Kind.NONE;
        }
        for (int i = 1; i < Math.min(cut.count(), HEAD); i++) {
            switch (cut.word(i)) {
                case TRIGGER, FUNCTION, PROCEDURE, PROC, EVENT, PACKAGE -> {
                    return toBatchEnd ? Kind.TO_GO : blocks ? ofBlock(at) : Kind.NESTED;
                }
                case JAVA -> {
                    return blocks && hasSlashLine(at) ? Kind.TO_SLASH : Kind.NONE;
                }
                case TYPE -> {
                    boolean body = blocks && i + 1 < cut.count() && cut.word(i + 1) == Keyword.BODY;
                    return body ? ofBlock(at) : Kind.NONE;
                }
                case RULE -> {
                    return syntax.takes(SyntaxRule.RULE_STATEMENTS) ? Kind.ROUND : Kind.NONE;
                }
                case VIEW -> {
                    return toBatchEnd ? Kind.TO_GO : Kind.NONE;
                }
                case TABLE, INDEX, DATABASE, SCHEMA, SEQUENCE, USER, ROLE, DOMAIN, EXTENSION -> {
                    return Kind.NONE;
                }
                default -> { }
            }
        }
        return Kind.NONE;
    }

    private Kind ofBlock(int at) {
        return hasSlashLine(at) ? Kind.TO_SLASH : Kind.NESTED;
    }

    private boolean openNested(TokenizedStatement cut) {
        for (; seen < cut.count(); seen++) {
            switch (cut.word(seen)) {
                case BEGIN, CASE -> {
                    boolean ending = seen > 0 && cut.word(seen - 1) == Keyword.END;
                    if (!ending) {
                        depth++;
                    }
                    begun |= cut.word(seen) == Keyword.BEGIN;
                }
                case END -> {
                    Keyword after = seen + 1 < cut.count() ? cut.word(seen + 1) : Keyword.NONE;
                    if (after != Keyword.IF && after != Keyword.LOOP && after != Keyword.WHILE
                            && after != Keyword.REPEAT) {
                        depth--;
                    }
                }
                default -> { }
            }
        }
        boolean declaring = syntax.takes(SyntaxRule.BLOCKS) && !begun;
        return depth > 0 || declaring;
    }

    /**
     * Whether a statement that begins so goes on to its END (MariaDB manual, “Using Compound Statements Outside of
     * Stored Programs”).
     */
    static boolean compound(Keyword word) {
        return switch (word) {
            case IF, WHILE, LOOP, FOR, CASE, REPEAT -> true;
            default -> false;
        };
    }

    /** Every statement of several that begins inside is ended by an END, which says once more what it ends. */
    private boolean openCompound(TokenizedStatement cut) {
        for (; seen < cut.count(); seen++) {
            Keyword before = seen == 0 ? Keyword.NONE : cut.word(seen - 1);
            boolean first = seen == 0 || cut.is(seen - 1, ';') || before == Keyword.THEN || before == Keyword.ELSE
                    || before == Keyword.DO || before == Keyword.BEGIN
                    || before == Keyword.LOOP;
            if (cut.word(seen) == Keyword.END) {
                depth--;
            } else if (before != Keyword.END && (first && (compound(cut.word(seen)) || cut.word(seen) == Keyword.BEGIN)
                    || cut.word(seen) == Keyword.CASE)) {
                depth++;
            }
        }
        return depth > 0;
    }

    private boolean openRound(TokenizedStatement cut) {
        for (; seen < cut.count(); seen++) {
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
