package entaxis.core.syntax;

import entaxis.core.schema.Numbering;
import entaxis.core.token.Keyword;
import entaxis.core.token.Token.Kind;
import java.util.OptionalLong;
import java.util.Optional;
import java.util.Set;

/** Reads numbers: how a column or a sequence counts. */
final class NumberParser {
    private static final Set<String> SEQUENCE_WORDS = Set.of("START", "WITH", "INCREMENT", "BY", "MINVALUE", "MAXVALUE",
            "NOMINVALUE", "NOMAXVALUE", "CYCLE", "NOCYCLE", "CACHE", "NOCACHE", "ORDER",
            "NOORDER", "KEEP", "NOKEEP", "SCALE", "NOSCALE", "LIMIT", "VALUE");
    private final StatementCursor tokens;

    NumberParser(StatementCursor tokens) {
        this.tokens = tokens;
    }

    /**
     * Oracle's DBMS_METADATA writes the options of an identity without brackets (Oracle Database SQL Language
     * Reference, identity_options).
     */
    Optional<Numbering> bareNumbers() {
        int from = tokens.at();
        while (tokens.kind() == Kind.NUMBER || tokens.sign('-')
                || SEQUENCE_WORDS.contains(tokens.capitals(tokens.at()))) {
            tokens.advance();
        }
        int end = tokens.at();
        if (end == from) {
            return Optional.empty();
        }
        tokens.goTo(from);
        Numbering numbering = sequenceOptions(end);
        tokens.goTo(end);
        return Optional.of(numbering);
    }

    /** The numbers of an identity in round brackets. */
    Numbering inRound() {
        int open = tokens.at();
        if (tokens.kind(open + 1) == Kind.NUMBER || tokens.sign(open + 1, '-')) {
            tokens.advance();
            long start = wholeNumber();
            long step = tokens.acceptSign(',') ? wholeNumber() : 1;
            tokens.expectSign(')');
            return new Numbering(start, step == 0 ? 1 : step);
        }
        tokens.skipRound();
        int end = tokens.at();
        tokens.goTo(open + 1);
        Numbering numbering = sequenceOptions(end - 1);
        tokens.goTo(end);
        return numbering;
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
        while (tokens.at() < end) {
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
                tokens.advance();
            }
        }
        long start = said.orElse(step < 0 ? greatest.orElse(1) : least.orElse(1));
        return new Numbering(start, step == 0 ? 1 : step);
    }

    /** A limit, unless it is too large to be one that anybody begins with. */
    private OptionalLong limit(OptionalLong otherwise) {
        tokens.acceptSign('=');
        boolean number = tokens.kind() == Kind.NUMBER
                && tokens.text(tokens.at(), tokens.at() + 1).length() < 18 || tokens.sign('-');
        return number ? OptionalLong.of(wholeNumber()) : otherwise;
    }

    private long number(long otherwise) {
        return tokens.kind() == Kind.NUMBER || tokens.sign('-') || tokens.sign('+')
                ? wholeNumber() : otherwise;
    }

    long wholeNumber() {
        boolean negative = tokens.acceptSign('-');
        tokens.acceptSign('+');
        if (tokens.kind() != Kind.NUMBER) {
            throw tokens.unreadable("a number is expected here");
        }
        try {
            long number = Long.parseLong(tokens.text(tokens.at(), tokens.at() + 1));
            tokens.advance();
            return negative ? -number : number;
        } catch (NumberFormatException tooLarge) {
            throw tokens.unreadable("the number is too large or no whole number");
        }
    }
}
