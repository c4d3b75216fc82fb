package entaxis.core.expression;

import entaxis.core.expression.ExpressionCursor.GivenUp;
import entaxis.core.expression.Term.Kind;
import entaxis.core.token.Token;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Reads an expression by precedence of its operators (V. Pratt, “Top Down Operator Precedence”, 1973): ISO/IEC 9075-2,
 * 6.28 and 8, with what catalogs write beside. Linear; gives up on what it does not know and on deep nesting.
 */
final class ExpressionReader {
    private static final int OR = 1;
    private static final int AND = 2;
    private static final int NOT = 3;
    /** How tightly comparisons bind. */
    static final int COMPARISON = 4;
    private static final int OTHER = 5;
    private static final int SUM = 6;
    private static final int PRODUCT = 7;
    private static final int SIGN = 8;
    private static final Set<String> COMPARISONS = Set.of("=", "<>", "!=", "<", ">", "<=", ">=", "==");
    private static final Set<String> OTHERS = Set.of("||", "~", "~*", "!~", "!~*", "~~", "!~~", "~~*", "!~~*", "->",
            "->>", "#>", "#>>", "@>", "<@", "&&", "&", "|", "#", "<<", ">>", "?", "^", "@@", "-|-", "&<", "&>");
    private static final String SIGNS = "=<>!~|-#@&?^*";
    private static final Set<String> WORD_VALUES = Set.of("null", "true", "false", "current_date", "current_time",
            "current_timestamp", "localtime", "localtimestamp", "current_user",
            "session_user", "user", "current_role", "unknown", "default", "value", "sysdate", "systimestamp");
    private static final Set<String> TYPED =
            Set.of("date", "time", "timestamp", "interval", "datetime", "json", "uuid");

    private final ExpressionCursor tokens;

    ExpressionReader(ExpressionCursor tokens) {
        this.tokens = tokens;
    }

    /** The tree of an expression in ISO quotes; none if something in it is not known here. */
    static Optional<Term> read(String sql) {
        ExpressionCursor tokens = new ExpressionCursor(sql);
        try {
            Term term = new ExpressionReader(tokens).expression(0);
            return tokens.atEnd() ? Optional.of(term) : Optional.empty();
        } catch (GivenUp e) {
            return Optional.empty();
        }
    }

    /** Reads the query that begins here. */
    private Term query() {
        return new QueryReader(tokens).query();
    }

    /** The operator made of the signs that stand here without a blank between them. */
    private String operator() {
        if (tokens.kind() != Token.Kind.SYMBOL) {
            return "";
        }
        String first = tokens.peek().text();
        if (first.equals("+") || first.equals("/") || first.equals("%")) {
            return first;
        }
        StringBuilder text = new StringBuilder();
        for (int i = tokens.at(); goesOn(i); i++) {
            if (!text.isEmpty() && tokens.sign(i, '-') && tokens.kind(i + 1) == Token.Kind.NUMBER) {
                break;
            }
            text.append(tokens.token(i).text());
        }
        return text.toString();
    }

    /** Whether a token is a sign of the operator that begins here. */
    private boolean goesOn(int token) {
        return tokens.kind(token) == Token.Kind.SYMBOL && SIGNS.contains(tokens.token(token).text())
                && (token == tokens.at() || tokens.to(token - 1) == tokens.from(token));
    }

    /** An expression as far as its operators bind more tightly than the given one; 0 for a whole one. */
    Term expression(int least) {
        tokens.deeper();
        int first = tokens.at();
        int links = 0;
        Term left = prefix();
        Optional<Term> more = Optional.of(left);
        while (more.isPresent()) {
            left = more.get().at(tokens.from(first), tokens.to(tokens.at() - 1));
            more = infix(left, least);
            if (more.isPresent()) {
                // each further operator in a row nests the tree one level deeper
                tokens.deeper();
                links++;
            }
        }
        tokens.higher(links + 1);
        return left;
    }

    private Optional<Term> infix(Term left, int least) {
        if (tokens.atEnd()) {
            return Optional.empty();
        }
        if (tokens.is(":") && tokens.isAhead(1, ":")) {
            tokens.advance(2);
            return Optional.of(Term.of(Kind.CAST, type(), left));
        }
        if (tokens.is("[")) {
            tokens.advance();
            Term index = expression(0);
            tokens.expect("]");
            return Optional.of(Term.operator("at", left, index));
        }
        if (tokens.is(".") && tokens.isAhead(-1, ")")) {
            tokens.advance();
            return Optional.of(Term.operator("field", left,
                    Term.of(Kind.NAME, tokens.accept("*") ? "*" : tokens.name().toLowerCase(Locale.ROOT))));
        }
        if (tokens.is("collate")) {
            tokens.advance();
            String first = tokens.name();
            String name = tokens.accept(".") ? tokens.name() : first;
            return Optional.of(Term.of(Kind.CALL, "collate", left, Term.of(Kind.NAME, name)));
        }
        if (tokens.is("at") && tokens.isAhead(1, "time")) {
            tokens.advance(3);
            return Optional.of(Term.operator("at time zone", left, expression(SIGN)));
        }
        if (tokens.is("or") && least < OR) {
            return Optional.of(joined(left, "or", OR));
        }
        if (tokens.is("and") && least < AND) {
            return Optional.of(joined(left, "and", AND));
        }
        if (least < COMPARISON) {
            Optional<Term> test = test(left);
            if (test.isPresent()) {
                return test;
            }
        }
        if (tokens.is("mod") && least < PRODUCT) {
            return binary(left, "%", 1, PRODUCT);
        }
        return operation(left, least);
    }

    private Optional<Term> operation(Term left, int least) {
        String operator = operator();
        if (operator.equals("+") || operator.equals("-")) {
            return least < SUM ? binary(left, operator, 1, SUM) : Optional.empty();
        }
        if (operator.equals("*") || operator.equals("/") || operator.equals("%")) {
            return least < PRODUCT ? binary(left, operator, 1, PRODUCT) : Optional.empty();
        }
        if (COMPARISONS.contains(operator)) {
            return least < COMPARISON
                    ? binary(left, operator.equals("!=") ? "<>" : operator.equals("==") ? "=" : operator,
                            operator.length(), COMPARISON)
                    : Optional.empty();
        }
        if (operator.equals("||") && least < OTHER) {
            return Optional.of(joined(left, operator, OTHER));
        }
        if (OTHERS.contains(operator)) {
            return least < OTHER ? binary(left, operator, operator.length(), OTHER) : Optional.empty();
        }
        return Optional.empty();
    }

    /** Operands with one operator between, whose order of being applied does not matter: there may be thousands. */
    private Term joined(Term left, String word, int binding) {
        List<Term> operands = new ArrayList<>(left.isOperator(word) ? left.parts() : List.of(left));
        while (tokens.is(word) || operator().equals(word)) {
            tokens.advance(operator().equals(word) ? word.length() : 1);
            operands.add(expression(binding));
        }
        return new Term(Kind.OPERATOR, word, operands);
    }

    private Optional<Term> binary(Term left, String word, int tokensLong, int binding) {
        tokens.advance(tokensLong);
        boolean all = tokens.is("all") || tokens.is("any") || tokens.is("some");
        if (all && binding == COMPARISON) {
            String which = tokens.lower();
            tokens.expect("(");
            Term list = tokens.isQuery() ? query() : expression(0);
            tokens.expect(")");
            return Optional.of(Term.operator(word + " " + (which.equals("some") ? "any" : which), left, list));
        }
        return Optional.of(Term.operator(word, left, expression(binding)));
    }

    /** IS, IN, BETWEEN, LIKE and their opposites. */
    private Optional<Term> test(Term left) {
        return new PredicateReader(tokens).test(left);
    }

    /** Reads a list, or a query, up to the sign that ends it. */
    Term list(String end) {
        List<Term> items = new ArrayList<>();
        if (tokens.isQuery()) {
            items.add(query());
            tokens.expect(end);
        } else if (!tokens.accept(end)) {
            do {
                items.add(expression(0));
            } while (tokens.accept(","));
            tokens.expect(end);
        }
        return new Term(Kind.LIST, "", items);
    }

    private Term prefix() {
        if (tokens.atEnd()) {
            throw new GivenUp();
        }
        Token token = tokens.peek();
        switch (token.kind()) {
            case STRING -> {
                tokens.advance();
                return text(token);
            }
            case NUMBER -> {
                tokens.advance();
                return Term.of(Kind.NUMBER, token.text());
            }
            case QUOTED_NAME -> {
                return named();
            }
            case SYMBOL -> {
                return sign();
            }
            case WORD -> {
                return word(token);
            }
            default -> throw new GivenUp();
        }
    }

    /** Reads a text constant. A mark before its quote may say that it has escapes, or that it holds bytes or bits. */
    private static Term text(Token token) {
        Term text = Term.of(Kind.TEXT, token.string());
        return switch (token.mark()) {
            case "e" -> Term.of(Kind.TEXT, text.word().replace("\\\\", "\\"));
            case "x", "b" -> Term.of(Kind.CALL, token.mark(), text);
            default -> text;
        };
    }

    private Term sign() {
        if (tokens.accept("(")) {
            if (tokens.isQuery()) {
                Term query = query();
                tokens.expect(")");
                return query;
            }
            Term inside = expression(0);
            if (tokens.accept(",")) {
                List<Term> items = new ArrayList<>(List.of(inside));
                do {
                    items.add(expression(0));
                } while (tokens.accept(","));
                inside = new Term(Kind.LIST, "", items);
            }
            tokens.expect(")");
            return inside;
        }
        if (tokens.accept("-")) {
            return Term.operator("-", expression(SIGN));
        }
        if (tokens.accept("+")) {
            return expression(SIGN);
        }
        if (tokens.acceptReworded("~")) {
            return Term.operator("~", expression(SIGN));
        }
        throw new GivenUp();
    }

    private Term word(Token token) {
        String word = token.text().toLowerCase(Locale.ROOT);
        Token.Kind next = tokens.kind(tokens.at() + 1);
        boolean call = tokens.isAhead(1, "(");
        boolean typed = next == Token.Kind.STRING
                && (TYPED.contains(word) || word.startsWith("_") || tokens.peek(1).start() == token.end());
        if (typed) {
            return literal(word);
        }
        switch (word) {
            case "not" -> {
                tokens.advance();
                return Term.operator("not", expression(NOT));
            }
            case "case" -> {
                return cases();
            }
            case "cast", "try_cast" -> {
                return cast();
            }
            case "array" -> {
                return array();
            }
            case "row" -> {
                tokens.advance();
                tokens.expect("(");
                return list(")");
            }
            case "exists" -> {
                tokens.advance();
                tokens.expect("(");
                Term query = query();
                tokens.expect(")");
                return Term.of(Kind.CALL, word, query);
            }
            case "interval" -> {
                tokens.advance();
                Term amount = expression(SIGN);
                return Term.of(Kind.CALL, "interval", amount, Term.of(Kind.WORD, tokens.plainWord()));
            }
            case "prior" -> {
                return tokens.acceptReworded(word) ? Term.operator(word, expression(SIGN)) : named();
            }
            case "next" -> {
                return tokens.isAhead(1, "value") && tokens.isAhead(2, "for") ? nextValue() : named();
            }
            default -> {
                if (!call && WORD_VALUES.contains(word)) {
                    tokens.advance();
                    return Term.of(Kind.WORD, word);
                }
                return named();
            }
        }
    }

    /** A text behind a word that says what it is: a date, an interval, letters of a character set. */
    private Term literal(String word) {
        tokens.advance();
        Term text = text(tokens.next());
        while (word.equals("interval") && CastTypeReader.measures(tokens.peek().text().toLowerCase(Locale.ROOT))) {
            tokens.advance();
        }
        return text;
    }

    /** ISO/IEC 9075-2, 6.14. */
    private Term nextValue() {
        tokens.advance(3);
        List<Term> names = new ArrayList<>();
        do {
            names.add(Term.of(Kind.WORD, tokens.name()));
        } while (tokens.accept("."));
        return new Term(Kind.CALL, "next value for", names);
    }

    private Term array() {
        tokens.advance();
        if (tokens.accept("(")) {
            Term query = query();
            tokens.expect(")");
            return Term.of(Kind.CALL, "array of", query);
        }
        tokens.expect("[");
        return Term.of(Kind.CALL, "array", list("]"));
    }

    private Term cases() {
        tokens.advance();
        List<Term> parts = new ArrayList<>();
        if (!tokens.is("when")) {
            parts.add(expression(0));
        }
        while (tokens.accept("when")) {
            Term when = expression(0);
            tokens.expect("then");
            parts.add(Term.operator("when", when, expression(0)));
        }
        if (tokens.accept("else")) {
            parts.add(expression(0));
        }
        tokens.expect("end");
        return new Term(Kind.CALL, "case", parts);
    }

    private Term cast() {
        tokens.advance();
        tokens.expect("(");
        Term value = expression(0);
        tokens.expect("as");
        Term cast = Term.of(Kind.CAST, type(), value);
        tokens.expect(")");
        return cast;
    }

    private String type() {
        return new CastTypeReader(tokens).type();
    }

    private Term window(Term call) {
        return new WindowReader(tokens).window(call);
    }

    /** A column with the table that is named before it, or a function with its arguments. */
    private Term named() {
        String name = tokens.name();
        List<Term> before = List.of();
        while (tokens.is(".") && (tokens.peek(1).isName() || tokens.isAhead(1, "*"))) {
            tokens.advance();
            before = List.of(Term.of(Kind.NAME, name.toLowerCase(Locale.ROOT)));
            name = tokens.accept("*") ? "*" : tokens.name();
        }
        boolean joinsOuter = tokens.isReworded("(") && tokens.isAhead(1, "+") && tokens.isAhead(2, ")");
        if (joinsOuter) {
            // Oracle SQL Language Reference, “Outer Joins”
            tokens.advance(3);
        }
        if (joinsOuter || !tokens.accept("(")) {
            return new Term(Kind.NAME, name.toLowerCase(Locale.ROOT), before);
        }
        Term call = new Term(Kind.CALL, name.toLowerCase(Locale.ROOT), arguments());
        tokens.accept("respect", "nulls");
        return window(call);
    }

    private Term ordering() {
        return new QueryReader(tokens).ordering();
    }

    /** Arguments with commas, or with the words that ISO/IEC 9075-2, 6.30 to 6.32 puts between them. */
    private List<Term> arguments() {
        List<Term> parts = new ArrayList<>();
        if (tokens.accept(")")) {
            return parts;
        }
        if (tokens.accept("*")) {
            tokens.expect(")");
            return List.of(Term.of(Kind.WORD, "*"));
        }
        for (String side : List.of("both", "leading", "trailing")) {
            if (tokens.accept(side)) {
                parts.add(Term.of(Kind.WORD, side));
            }
        }
        if (tokens.accept("distinct")) {
            parts.add(Term.of(Kind.WORD, "distinct"));
        }
        boolean more = !tokens.accept("from");
        if (!more) {
            parts.add(expression(0));
        }
        while (more) {
            boolean spread = tokens.accept("variadic");
            Term part = expression(inArguments());
            parts.addAll(spread && part.kind() == Kind.CALL && part.word().equals("array")
                    ? part.parts().getFirst().parts() : List.of(part));
            more = Stream.of(",", "from", "for", "in", "using", "separator").anyMatch(word -> tokens.accept(word))
                    || tokens.acceptReworded("placing");
        }
        if (tokens.is("order")) {
            parts.add(ordering());
            if (tokens.accept("separator")) {
                parts.add(expression(0));
            }
        }
        if (tokens.accept(",")) {
            parts.add(expression(0));
        }
        tokens.expect(")");
        return parts;
    }

    /** POSITION has the word IN between its arguments, so that no test may be read there. */
    private int inArguments() {
        boolean position = tokens.at() >= 2 && tokens.isAhead(-1, "(") && tokens.isAhead(-2, "position");
        return position ? COMPARISON : 0;
    }
}
