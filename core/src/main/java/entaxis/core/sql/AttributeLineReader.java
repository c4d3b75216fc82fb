package entaxis.core.sql;

import entaxis.core.schema.Identity;
import entaxis.core.schema.Numbering;
import entaxis.core.sql.AttributeLine.Fault;
import entaxis.core.sql.AttributeLine.Reading;
import entaxis.core.sql.AttributeLine.Understood;
import entaxis.core.token.Token.Kind;
import entaxis.core.token.TokenCursor;
import entaxis.core.token.Token;
import entaxis.core.type.SqlType.IntegerSize;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeNames;
import entaxis.core.type.TypeReader;
import entaxis.core.type.TypeReading.Known;
import entaxis.core.type.TypeReading.Unknown;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * Reads attribute lines: a name, a type, then in any order {@code not null}, {@code default ...}, {@code primary key},
 * {@code unique}, {@code check (...)}, {@code generated ... as identity}, {@code generated always as (...)}, and the
 * meaning after {@code --} (ISO/IEC 9075-2, 11.4, column definition). A name alone is an attribute of type text. Linear
 * in the length of the line.
 */
public final class AttributeLineReader {
    /** Longest text that is still a line that somebody typed. */
    private static final int MAX_LINE = 10_000;
    private static final Map<String, IntegerSize> SERIAL =
            Map.of("smallserial", IntegerSize.SMALLINT, "serial", IntegerSize.INTEGER, "bigserial", IntegerSize.BIGINT);
    private static final List<String> CLAUSE_STARTS = List.of("not", "null", "default", "primary", "unique", "check",
            "generated", "constraint", "references", "comment");

    private final int number;
    private final TokenCursor cursor;
    private final TypeNames types;
    private boolean required;
    private Optional<String> defaultValue = Optional.empty();
    private Optional<String> check = Optional.empty();
    private String checkName = "";
    private Identity identity = Identity.NONE;
    private Optional<Numbering> numbering = Optional.empty();
    private Optional<String> generated = Optional.empty();
    private boolean primaryKey;
    private boolean unique;
    private String meaning = "";

    private AttributeLineReader(int number, String line, TypeNames types) {
        this.number = number;
        this.types = types;
        this.cursor = TokenCursor.withComments(line);
    }

    /**
     * Reads several lines, blank ones left out; a comma at the end of a line is passed over, as in a pasted CREATE
     * TABLE.
     */
    public static List<Reading> readAll(String text) {
        return readAll(text, TypeNames.NONE);
    }

    /** Reads several lines, in which types that the design defines may stand too. */
    public static List<Reading> readAll(String text, TypeNames types) {
        List<Reading> readings = new ArrayList<>();
        String[] lines = text.split("\\R", -1);
        for (int i = 0; i < lines.length; i++) {
            if (!lines[i].isBlank()) {
                readings.add(
                        lines[i].length() > MAX_LINE ? new Fault(i + 1, 1, "This line is too long to be one attribute.")
                        : new AttributeLineReader(i + 1, lines[i].strip(), types).read());
            }
        }
        return readings;
    }

    /** Reads one line. */
    public static Reading read(String line) {
        List<Reading> readings = readAll(line);
        return readings.size() == 1 ? readings.getFirst()
                : new Fault(1, 1, "Type one attribute, as in: received_on date not null -- day it reached us");
    }

    /** An expression or condition as it stands alone in a field: complete, and free of anything that would end it. */
    public static Optional<String> expressionFault(String text) {
        TokenCursor cursor = TokenCursor.withComments(text);
        int depth = 0;
        while (!cursor.atEnd()) {
            Token token = cursor.next();
            depth += token.is("(") ? 1 : token.is(")") ? -1 : 0;
            if (token.kind() == Kind.UNCLOSED) {
                return Optional.of(
                        "A quote or comment is opened and not closed at “" + shortened(token.text()) + "”. Close it.");
            }
            if (token.kind() == Kind.COMMENT || token.is(";") || depth < 0) {
                return Optional.of("“" + shortened(token.text()) + "” cannot stand in an expression. Remove it.");
            }
        }
        return depth == 0 ? Optional.empty() : Optional.of("A bracket is opened and not closed. Close it.");
    }

    private Reading read() {
        Token first = cursor.next();
        if (!first.isName()) {
            return fault(first, first.kind() == Kind.UNCLOSED ? "The quote is not closed. Close it after the name."
                    : "A line begins with the attribute's name, as in: received_on date not null");
        }
        SqlType type = SqlType.largeText();
        Token typeToken = cursor.peek();
        IntegerSize serial =
                typeToken.kind() == Kind.WORD ? SERIAL.get(typeToken.text().toLowerCase(Locale.ROOT)) : null;
        if (serial != null) {
            cursor.next();
            type = new IntegerType(serial, false);
            identity = Identity.BY_DEFAULT;
        } else if (!ended(typeToken) && CLAUSE_STARTS.stream().noneMatch(typeToken::is)) {
            switch (TypeReader.read(cursor, types)) {
                case Known(SqlType known) -> type = known;
                case Unknown(String message) -> {
                    return fault(typeToken, message);
                }
            }
        }
        while (!ended(cursor.peek())) {
            Token at = cursor.peek();
            Optional<String> problem = clause();
            if (problem.isPresent()) {
                return fault(at, problem.get());
            }
        }
        if (cursor.peek().kind() == Kind.COMMENT) {
            meaning = cursor.next().text().replaceFirst("^(--|/\\*)", "").replaceFirst("\\*/$", "").strip();
        }
        return new Understood(new AttributeLine(first.name(), type, required, defaultValue, check, checkName, identity,
                numbering, generated, primaryKey, unique, meaning));
    }

    private boolean ended(Token token) {
        boolean lastComma =
                token.is(",") && (cursor.peek(1).kind() == Kind.END || cursor.peek(1).kind() == Kind.COMMENT);
        if (lastComma) {
            cursor.next();
        }
        return lastComma || token.kind() == Kind.END || token.kind() == Kind.COMMENT;
    }

    private Optional<String> clause() {
        if (cursor.accept("not", "null")) {
            required = true;
        } else if (cursor.accept("null")) {
            required = false;
        } else if (cursor.accept("primary", "key")) {
            primaryKey = true;
            required = true;
        } else if (cursor.accept("unique")) {
            unique = true;
        } else if (cursor.accept("generated", "always", "as", "identity")) {
            identity = Identity.ALWAYS;
            return numbers();
        } else if (cursor.accept("generated", "by", "default", "as", "identity") || cursor.accept("auto_increment")) {
            identity = Identity.BY_DEFAULT;
            return numbers();
        } else if (cursor.accept("generated", "always", "as")) {
            generated = cursor.peek().is("(") ? bracketed() : Optional.empty();
            cursor.accept("stored");
            return generated.isPresent() ? Optional.empty()
                    : Optional.of(
                            "“generated always as” is followed by identity, or by an expression in brackets, as in: "
                                    + "generated always as (gross_g - tare_g)");
        } else if (cursor.peek().is("constraint")) {
            cursor.next();
            if (!cursor.peek().isName() || !cursor.peek(1).is("check")) {
                return Optional.of(
                        "“constraint” is followed by a name and a check, as in: constraint count_positive check "
                                + "(seed_count >= 0)");
            }
            checkName = cursor.next().name();
            return clause();
        } else if (cursor.accept("default")) {
            defaultValue = expression();
            return defaultValue.isPresent() ? Optional.empty() : Optional.of(
                    "“default” is followed by a value: a number, a text in single quotes, or an expression such as "
                            + "current_date.");
        } else if (cursor.peek().is("check")) {
            cursor.next();
            check = cursor.peek().is("(") ? bracketed() : Optional.empty();
            return check.isPresent() ? Optional.empty()
                    : Optional.of("“check” is followed by a condition in brackets, as in: check (seed_count >= 0)");
        } else if (cursor.peek().is("references")) {
            return Optional.of(
                    "A reference is not typed as a column: draw a relationship to the other entity (R), and the column "
                            + "follows.");
        } else {
            return Optional.of("“" + shortened(cursor.peek().text())
                    + "” is not understood here. After the type come: not null, default ..., primary key, unique, "
                    + "check (...), generated always as ..., -- meaning");
        }
        return Optional.empty();
    }

    /**
     * Where the numbers of an identity start and how they go on: {@code (start with 100 increment by 10)}, either part
     * may be missing.
     */
    private Optional<String> numbers() {
        if (!cursor.accept("(")) {
            return Optional.empty();
        }
        long start = Numbering.DEFAULT.start();
        long step = Numbering.DEFAULT.step();
        while (!cursor.accept(")")) {
            boolean first = cursor.accept("start", "with") || cursor.accept("start");
            if (!first && !cursor.accept("increment", "by") && !cursor.accept("increment")) {
                return Optional
                        .of("Numbers are told as in: generated always as identity (start with 100 increment by 10)");
            }
            boolean negative = cursor.accept("-");
            Token digits = cursor.next();
            if (!digits.isWholeNumber() || digits.text().length() > 18) {
                return Optional.of("“" + shortened(digits.text())
                        + "” is no whole number; as in: generated always as identity (start with 100 increment by 10)");
            }
            long value = Long.parseLong(digits.text()) * (negative ? -1 : 1);
            start = first ? value : start;
            step = first ? step : value;
        }
        numbering = Optional.of(new Numbering(start, step)).filter(numbers -> !numbers.equals(Numbering.DEFAULT));
        return Optional.empty();
    }

    /** What stands inside the brackets that begin here. */
    private Optional<String> bracketed() {
        StringBuilder text = new StringBuilder();
        int depth = 0;
        int end = -1;
        do {
            Token token = cursor.next();
            if (token.kind() == Kind.END || token.kind() == Kind.UNCLOSED || token.is(";")
                    || token.kind() == Kind.COMMENT) {
                return Optional.empty();
            }
            depth += token.is("(") ? 1 : token.is(")") ? -1 : 0;
            text.append(end >= 0 && token.start() > end ? " " : "").append(token.text());
            end = token.end();
        } while (depth > 0);
        String inner = text.substring(1, text.length() - 1).strip();
        return inner.isEmpty() ? Optional.empty() : Optional.of(inner);
    }

    /** One value or expression: up to the next clause outside brackets. */
    private Optional<String> expression() {
        StringBuilder text = new StringBuilder();
        int depth = 0;
        int end = -1;
        while (depth > 0
                || !ended(cursor.peek()) && !(end >= 0 && CLAUSE_STARTS.stream().anyMatch(cursor.peek()::is))) {
            Token token = cursor.next();
            if (token.kind() == Kind.END || token.kind() == Kind.UNCLOSED || token.is(";")
                    || token.kind() == Kind.COMMENT) {
                return Optional.empty();
            }
            depth += token.is("(") ? 1 : token.is(")") ? -1 : 0;
            if (depth < 0) {
                return Optional.empty();
            }
            text.append(end >= 0 && token.start() > end ? " " : "").append(token.text());
            end = token.end();
        }
        return end < 0 ? Optional.empty() : Optional.of(text.toString());
    }

    private Fault fault(Token at, String message) {
        return new Fault(number, at.start() + 1, message);
    }

    private static String shortened(String text) {
        return text.length() > 30 ? text.substring(0, 30) + "..." : text;
    }
}
