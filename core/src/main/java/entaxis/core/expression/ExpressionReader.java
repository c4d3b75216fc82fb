package entaxis.core.expression;

import entaxis.core.expression.Term.Kind;
import entaxis.core.token.Token;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/**
 * Reads an expression by precedence of its operators (V. Pratt, “Top Down Operator Precedence”, 1973): ISO/IEC 9075-2,
 * 6.28 and 8, with what catalogs write beside. Linear; gives up on what it does not know and on deep nesting.
 */
final class ExpressionReader extends TokenReader {
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

    ExpressionReader(List<Token> tokens, int at, int depth) {
        super(tokens, at, depth);
    }

    /** The tree of an expression in ISO quotes; none if something in it is not known here. */
    static Optional<Term> read(String sql) {
        ExpressionReader reader = new ExpressionReader(of(sql), 0, 0);
        try {
            Term term = reader.expression(0);
            return reader.atEnd() ? Optional.of(term) : Optional.empty();
        } catch (GivenUp e) {
            return Optional.empty();
        }
    }

    /** Reads the query that begins here. */
    private Term query() {
        return from(new QueryReader(tokens, at, depth()), reader -> reader.query());
    }

    private boolean isQuery() {
        return is("select") || is("with") || is("values");
    }

    /** The operator made of the signs that stand here without a blank between them. */
    private String operator() {
        if (atEnd() || tokens.get(at).kind() != Token.Kind.SYMBOL) {
            return "";
        }
        String first = tokens.get(at).text();
        if (first.equals("+") || first.equals("/") || first.equals("%")) {
            return first;
        }
        StringBuilder text = new StringBuilder();
        for (int i = at;
                i < tokens.size() && tokens.get(i).kind() == Token.Kind.SYMBOL && SIGNS.contains(tokens.get(i).text())
                        && (i == at || tokens.get(i - 1).end() == tokens.get(i).start());
                i++) {
            if (!text.isEmpty() && tokens.get(i).text().equals("-") && i + 1 < tokens.size()
                    && tokens.get(i + 1).kind() == Token.Kind.NUMBER) {
                break;
            }
            text.append(tokens.get(i).text());
        }
        return text.toString();
    }

    /** An expression as far as its operators bind more tightly than the given one; 0 for a whole one. */
    Term expression(int least) {
        deeper();
        int first = at;
        int links = 0;
        Term left = prefix();
        Optional<Term> more = Optional.of(left);
        while (more.isPresent()) {
            left = more.get().at(tokens.get(first).start(), tokens.get(at - 1).end());
            more = infix(left, least);
            if (more.isPresent()) {
                // each further operator in a row nests the tree one level deeper
                deeper();
                links++;
            }
        }
        for (; links > 0; links--) {
            higher();
        }
        higher();
        return left;
    }

    private Optional<Term> infix(Term left, int least) {
        if (atEnd()) {
            return Optional.empty();
        }
        if (is(":") && at + 1 < tokens.size() && tokens.get(at + 1).is(":")) {
            at += 2;
            return Optional.of(Term.of(Kind.CAST, type(), left));
        }
        if (is("[")) {
            at++;
            Term index = expression(0);
            expect("]");
            return Optional.of(Term.operator("at", left, index));
        }
        if (is(".") && tokens.get(at - 1).is(")")) {
            at++;
            return Optional.of(Term.operator("field", left,
                    Term.of(Kind.NAME, accept("*") ? "*" : name().toLowerCase(Locale.ROOT))));
        }
        if (is("collate")) {
            at++;
            String name = name();
            return Optional.of(Term.of(Kind.CALL, "collate", left, Term.of(Kind.NAME, accept(".") ? name() : name)));
        }
        if (is("at") && at + 2 < tokens.size() && tokens.get(at + 1).is("time")) {
            at += 3;
            return Optional.of(Term.operator("at time zone", left, expression(SIGN)));
        }
        if (is("or") && least < OR) {
            return Optional.of(joined(left, "or", OR));
        }
        if (is("and") && least < AND) {
            return Optional.of(joined(left, "and", AND));
        }
        if (least < COMPARISON) {
            Optional<Term> test = test(left);
            if (test.isPresent()) {
                return test;
            }
        }
        if (is("mod") && least < PRODUCT) {
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
        while (is(word) || operator().equals(word)) {
            at += operator().equals(word) ? word.length() : 1;
            operands.add(expression(binding));
        }
        return new Term(Kind.OPERATOR, word, operands);
    }

    private Optional<Term> binary(Term left, String word, int tokensLong, int binding) {
        at += tokensLong;
        boolean all = is("all") || is("any") || is("some");
        if (all && binding == COMPARISON) {
            String which = tokens.get(at++).text().toLowerCase(Locale.ROOT);
            expect("(");
            Term list = isQuery() ? query() : expression(0);
            expect(")");
            return Optional.of(Term.operator(word + " " + (which.equals("some") ? "any" : which), left, list));
        }
        return Optional.of(Term.operator(word, left, expression(binding)));
    }

    /** IS, IN, BETWEEN, LIKE and their opposites. */
    private Optional<Term> test(Term left) {
        return from(new PredicateReader(tokens, at, depth()), reader -> reader.test(left));
    }

    /** Reads a list, or a query, up to the sign that ends it. */
    Term list(String end) {
        List<Term> items = new ArrayList<>();
        if (isQuery()) {
            items.add(query());
            expect(end);
        } else if (!accept(end)) {
            do {
                items.add(expression(0));
            } while (accept(","));
            expect(end);
        }
        return new Term(Kind.LIST, "", items);
    }

    private Term prefix() {
        if (atEnd()) {
            throw new GivenUp();
        }
        Token token = tokens.get(at);
        switch (token.kind()) {
            case STRING -> {
                at++;
                return text(token);
            }
            case NUMBER -> {
                at++;
                return number(token);
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

    private static Term text(Token token) {
        return Term.of(Kind.TEXT, token.text().substring(1, token.text().length() - 1).replace("''", "'"));
    }

    /** A number with the exponent that the lexer leaves as a word behind it. */
    private Term number(Token token) {
        String text = token.text();
        if (at < tokens.size() && tokens.get(at).start() == token.end()
                && tokens.get(at).text().matches("[eE][0-9]*")) {
            text += tokens.get(at++).text();
            if (text.endsWith("e") || text.endsWith("E")) {
                text += (is("-") || is("+") ? tokens.get(at++).text() : "") + tokens.get(at++).text();
            }
        }
        return Term.of(Kind.NUMBER, text);
    }

    private Term sign() {
        if (accept("(")) {
            if (isQuery()) {
                Term query = query();
                expect(")");
                return query;
            }
            Term inside = expression(0);
            if (accept(",")) {
                List<Term> items = new ArrayList<>(List.of(inside));
                do {
                    items.add(expression(0));
                } while (accept(","));
                inside = new Term(Kind.LIST, "", items);
            }
            expect(")");
            return inside;
        }
        if (accept("-")) {
            return Term.operator("-", expression(SIGN));
        }
        if (accept("+")) {
            return expression(SIGN);
        }
        throw new GivenUp();
    }

    private Term word(Token token) {
        String word = token.text().toLowerCase(Locale.ROOT);
        Token.Kind next = at + 1 < tokens.size() ? tokens.get(at + 1).kind() : Token.Kind.END;
        boolean call = at + 1 < tokens.size() && tokens.get(at + 1).is("(");
        boolean typed = next == Token.Kind.STRING
                && (TYPED.contains(word) || word.startsWith("_") || tokens.get(at + 1).start() == token.end());
        if (typed) {
            return literal(word);
        }
        switch (word) {
            case "not" -> {
                at++;
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
                at++;
                expect("(");
                return list(")");
            }
            case "exists" -> {
                at++;
                expect("(");
                Term query = query();
                expect(")");
                return Term.of(Kind.CALL, word, query);
            }
            case "interval" -> {
                at++;
                Term amount = expression(SIGN);
                return Term.of(Kind.CALL, "interval", amount, Term.of(Kind.WORD, plainWord()));
            }
            case "next" -> {
                return isAhead(1, "value") && isAhead(2, "for") ? nextValue() : named();
            }
            default -> {
                if (!call && WORD_VALUES.contains(word)) {
                    at++;
                    return Term.of(Kind.WORD, word);
                }
                return named();
            }
        }
    }

    /** A text behind a word that says what it is: a date, an interval, an escaped text, bits. */
    private Term literal(String word) {
        at += 2;
        Term text = text(tokens.get(at - 1));
        if (word.equals("interval")) {
            while (at < tokens.size()
                    && CastTypeReader.measures(tokens.get(at).text().toLowerCase(Locale.ROOT))) {
                at++;
            }
        }
        if (word.equals("e")) {
            return Term.of(Kind.TEXT, text.word().replace("\\\\", "\\"));
        }
        return word.equals("x") || word.equals("b") ? Term.of(Kind.CALL, word, text) : text;
    }

    /** ISO/IEC 9075-2, 6.14. */
    private Term nextValue() {
        at += 3;
        List<Term> names = new ArrayList<>();
        do {
            names.add(Term.of(Kind.WORD, name()));
        } while (accept("."));
        return new Term(Kind.CALL, "next value for", names);
    }

    private Term array() {
        at++;
        if (accept("(")) {
            Term query = query();
            expect(")");
            return Term.of(Kind.CALL, "array of", query);
        }
        expect("[");
        return Term.of(Kind.CALL, "array", list("]"));
    }

    private Term cases() {
        at++;
        List<Term> parts = new ArrayList<>();
        if (!is("when")) {
            parts.add(expression(0));
        }
        while (accept("when")) {
            Term when = expression(0);
            expect("then");
            parts.add(Term.operator("when", when, expression(0)));
        }
        if (accept("else")) {
            parts.add(expression(0));
        }
        expect("end");
        return new Term(Kind.CALL, "case", parts);
    }

    private Term cast() {
        at++;
        expect("(");
        Term value = expression(0);
        expect("as");
        Term cast = Term.of(Kind.CAST, type(), value);
        expect(")");
        return cast;
    }

    private String type() {
        return from(new CastTypeReader(tokens, at, depth()), reader -> reader.type());
    }

    private Term window(Term call) {
        return from(new WindowReader(tokens, at, depth()), reader -> reader.window(call));
    }

    /** A column with the table that is named before it, or a function with its arguments. */
    private Term named() {
        String name = name();
        List<Term> before = List.of();
        while (is(".") && at + 1 < tokens.size() && (tokens.get(at + 1).isName() || isAhead(1, "*"))) {
            at++;
            before = List.of(Term.of(Kind.NAME, name.toLowerCase(Locale.ROOT)));
            name = accept("*") ? "*" : name();
        }
        if (!accept("(")) {
            return new Term(Kind.NAME, name.toLowerCase(Locale.ROOT), before);
        }
        Term call = new Term(Kind.CALL, name.toLowerCase(Locale.ROOT), arguments());
        accept("respect", "nulls");
        return window(call);
    }

    private Term ordering() {
        return from(new QueryReader(tokens, at, depth()), reader -> reader.ordering());
    }

    /** Arguments with commas, or with the words that ISO/IEC 9075-2, 6.30 to 6.32 puts between them. */
    private List<Term> arguments() {
        List<Term> parts = new ArrayList<>();
        if (accept(")")) {
            return parts;
        }
        if (accept("*")) {
            expect(")");
            return List.of(Term.of(Kind.WORD, "*"));
        }
        for (String side : List.of("both", "leading", "trailing")) {
            if (accept(side)) {
                parts.add(Term.of(Kind.WORD, side));
            }
        }
        if (accept("distinct")) {
            parts.add(Term.of(Kind.WORD, "distinct"));
        }
        boolean more = !accept("from");
        if (!more) {
            parts.add(expression(0));
        }
        while (more) {
            boolean spread = accept("variadic");
            Term part = expression(inArguments());
            parts.addAll(spread && part.kind() == Kind.CALL && part.word().equals("array")
                    ? part.parts().getFirst().parts() : List.of(part));
            more = accept(",") || accept("from") || accept("for") || accept("in") || accept("using")
                    || accept("separator");
        }
        if (is("order")) {
            parts.add(ordering());
            if (accept("separator")) {
                parts.add(expression(0));
            }
        }
        if (accept(",")) {
            parts.add(expression(0));
        }
        expect(")");
        return parts;
    }

    /** POSITION has the word IN between its arguments, so that no test may be read there. */
    private int inArguments() {
        boolean position = at >= 2 && tokens.get(at - 1).is("(") && tokens.get(at - 2).is("position");
        return position ? COMPARISON : 0;
    }
}
