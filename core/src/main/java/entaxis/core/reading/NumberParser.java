package entaxis.core.reading;

import entaxis.core.design.Attribute.Numbering;
import java.util.Locale;
import java.util.OptionalLong;
import java.util.Set;

/** Reads numbers: how a column or a sequence counts. */
final class NumberParser {
    private static final Set<String> SEQUENCE_WORDS = Set.of("START", "WITH", "INCREMENT", "BY", "MINVALUE", "MAXVALUE",
            "NOMINVALUE", "NOMAXVALUE", "CYCLE", "NOCYCLE", "CACHE", "NOCACHE", "ORDER",
            "NOORDER", "KEEP", "NOKEEP", "SCALE", "NOSCALE", "LIMIT", "VALUE");
    private final TokenCursor tokens;

    NumberParser(TokenCursor tokens) {
        this.tokens = tokens;
    }

    /**
     * Oracle's DBMS_METADATA writes the options of an identity without brackets (Oracle Database SQL Language
     * Reference, identity_options).
     */
    void bareNumbers(ColumnBuilder column) {
        int from = tokens.at;
        while (tokens.kind(tokens.at) == TokenizedStatement.NUMBER || tokens.sign('-')
                || SEQUENCE_WORDS.contains(tokens.text(tokens.at, tokens.at + 1).toUpperCase(Locale.ROOT))) {
            tokens.at++;
        }
        int end = tokens.at;
        if (end > from) {
            tokens.at = from;
            column.numbering = sequenceOptions(end);
            tokens.at = end;
        }
    }

    void numbers(ColumnBuilder column) {
        int open = tokens.at;
        if (tokens.kind(open + 1) == TokenizedStatement.NUMBER || tokens.sign(open + 1, '-')) {
            tokens.at++;
            long start = wholeNumber();
            long step = tokens.acceptSign(',') ? wholeNumber() : 1;
            tokens.expectSign(')');
            column.numbering = new Numbering(start, step == 0 ? 1 : step);
            return;
        }
        tokens.skipRound();
        int end = tokens.at;
        tokens.at = open + 1;
        column.numbering = sequenceOptions(end - 1);
        tokens.at = end;
    }

    /**
     * Reads the numbers of a sequence up to a token. Without a start it begins with its least number, or with its
     * greatest one if it falls (ISO/IEC 9075-2, 11.72).
     */
    Numbering sequenceOptions(int end) {
        OptionalLong said = OptionalLong.empty();
        OptionalLong least = OptionalLong.empty();
        OptionalLong greatest = OptionalLong.empty();
        long step = 1;
        while (tokens.at < end) {
            if (tokens.accept(Keyword.START)) {
                tokens.accept(Keyword.WITH);
                tokens.acceptSign('=');
                said = OptionalLong.of(number(1));
            } else if (tokens.accept(Keyword.MINVALUE)) {
                least = limit(least);
            } else if (tokens.accept(Keyword.MAXVALUE)) {
                greatest = limit(greatest);
            } else if (tokens.accept(Keyword.INCREMENT)) {
                tokens.accept(Keyword.BY);
                tokens.acceptSign('=');
                step = number(step);
            } else {
                tokens.at++;
            }
        }
        long start = said.orElse(step < 0 ? greatest.orElse(1) : least.orElse(1));
        return new Numbering(start, step == 0 ? 1 : step);
    }

    /** A limit, unless it is too large to be one that anybody begins with. */
    private OptionalLong limit(OptionalLong otherwise) {
        tokens.acceptSign('=');
        boolean number = tokens.kind(tokens.at) == TokenizedStatement.NUMBER
                && tokens.text(tokens.at, tokens.at + 1).length() < 18 || tokens.sign('-');
        return number ? OptionalLong.of(wholeNumber()) : otherwise;
    }

    private long number(long otherwise) {
        return tokens.kind(tokens.at) == TokenizedStatement.NUMBER || tokens.sign('-') || tokens.sign('+')
                ? wholeNumber() : otherwise;
    }

    long wholeNumber() {
        boolean negative = tokens.acceptSign('-');
        tokens.acceptSign('+');
        if (tokens.kind(tokens.at) != TokenizedStatement.NUMBER) {
            throw tokens.unreadable("a number is expected here");
        }
        try {
            long number = Long.parseLong(tokens.text(tokens.at, tokens.at + 1));
            tokens.at++;
            return negative ? -number : number;
        } catch (NumberFormatException tooLarge) {
            throw tokens.unreadable("the number is too large or no whole number");
        }
    }
}
