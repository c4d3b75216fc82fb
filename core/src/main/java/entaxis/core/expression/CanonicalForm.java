package entaxis.core.expression;

import entaxis.core.expression.Term.Kind;
import entaxis.core.token.Lexer;
import entaxis.core.token.Token;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What an expression says, whatever way it is spelled: brackets that change nothing, capitals, the casts and rewritings
 * with which engines keep conditions in their catalogs. Two expressions of equal sense mean the same; the reverse does
 * not hold, as no such test can be complete. Linear.
 */
public final class CanonicalForm {
    private static final int MAX_DIGITS = 400;
    private static final Map<String,
            String> NOW = Map.of("now", "current_timestamp", "getdate", "current_timestamp", "sysdatetime",
                    "current_timestamp", "curdate", "current_date",
                    "curtime", "current_time", "current_timestamp", "current_timestamp", "current_date", "current_date",
                    "current_time", "current_time", "localtimestamp", "localtimestamp",
            "utc_timestamp", "utc_timestamp");
    private static final Map<String,
            String> CALLS = Map.ofEntries(Map.entry("character_length", "char_length"),
                    Map.entry("substr", "substring"), Map.entry("lcase", "lower"),
                    Map.entry("ucase", "upper"), Map.entry("btrim", "trim"), Map.entry("pow", "power"),
                    Map.entry("ceiling", "ceil"), Map.entry("ifnull", "coalesce"),
                    Map.entry("date_part", "extract"), Map.entry("nvl", "coalesce"),
                    Map.entry("uuid", "gen_random_uuid"), Map.entry("random_uuid", "gen_random_uuid"),
            Map.entry("newid", "gen_random_uuid"), Map.entry("regexp_like", "regexp"));
    private static final Map<String, String> SPELLED =
            Map.of("~~", "like", "~~*", "ilike", "~", "regexp", "~*", "iregexp");
    private static final Map<String, String> OPPOSITE =
            Map.of("=", "<>", "<>", "=", "<", ">=", ">=", "<", ">", "<=", "<=", ">");
    /** Comparisons by what they are with their sides exchanged. */
    static final Map<String, String> MIRRORED =
            Map.of("=", "=", "<>", "<>", "<", ">", ">", "<", "<=", ">=", ">=", "<=");
    /** Types into which engines turn values by themselves when they compare them, writing the cast into the catalog. */
    private static final Set<String> BY_ITSELF = Set.of("text", "character varying", "varchar", "bpchar", "character",
            "char", "character large object", "clob", "numeric", "decimal", "bigint",
            "double precision", "timestamp", "timestamp without time zone", "timestamp with time zone", "text[]",
            "character varying[]", "bpchar[]", "regclass", "oid", "name", "numeric[]", "bigint[]");
    private static final Set<String> NUMBERS = Set.of("integer", "int", "int4", "int8", "int2", "bigint", "smallint",
            "tinyint", "numeric", "decimal", "double precision", "real", "float", "float8");

    private CanonicalForm() { }

    /**
     * The sense of an expression in ISO quotes, as a text to compare; of one that cannot be read, its words without
     * blanks and brackets.
     */
    public static String of(String expression) {
        Optional<Term> read = ExpressionReader.read(expression);
        return read.map(term -> plain(term).written()).orElseGet(() -> words(expression));
    }

    /**
     * The sense of a condition for engines where a number is a truth value (MySQL manual, “Boolean Literals”): a column
     * alone is one that is not 0.
     */
    static String ofNumericTruth(Expression condition) {
        return condition.tree().map(term -> withNumbers(numeric(plain(term))).written())
                .orElseGet(() -> words(condition.text()));
    }

    /** A term with numbers in the place of truth values. */
    private static Term withNumbers(Term term) {
        boolean truth = term.kind() == Kind.WORD && (term.word().equals("true") || term.word().equals("false"));
        return truth ? Term.of(Kind.NUMBER, term.word().equals("true") ? "1" : "0")
                : term.with(term.parts().stream().map(CanonicalForm::withNumbers).toList());
    }

    private static Term numeric(Term term) {
        if (term.kind() == Kind.NAME || term.kind() == Kind.CALL && !term.word().equals("case")) {
            return Term.operator("<>", term, Term.of(Kind.NUMBER, "0"));
        }
        if (term.isOperator("and") || term.isOperator("or")) {
            return term.with(term.parts().stream().map(CanonicalForm::numeric).toList());
        }
        boolean denied = term.isOperator("not") && term.parts().getFirst().kind() == Kind.NAME;
        return denied ? Term.operator("=", term.parts().getFirst(), Term.of(Kind.NUMBER, "0")) : term;
    }

    /** The sense of an expression, whose tree is made only once. */
    static String of(Expression expression) {
        return expression.tree().map(term -> plain(term).written()).orElseGet(() -> words(expression.text()));
    }

    /** The columns and other names that an expression speaks of, in small letters. */
    public static Set<String> names(String expression) {
        return Lexer.tokens(expression).stream().filter(Token::isName)
                .map(token -> token.name().toLowerCase(Locale.ROOT)).collect(Collectors.toUnmodifiableSet());
    }

    private static String words(String expression) {
        return Lexer.tokens(expression).stream()
                .filter(token -> !token.is("(") && !token.is(")"))
                .map(token -> token.kind() == Token.Kind.WORD ? token.text().toLowerCase(Locale.ROOT)
                        : token.kind() == Token.Kind.QUOTED_NAME ? token.name() : token.text())
                .collect(Collectors.joining(" "));
    }

    static Term plain(Term term) {
        List<Term> parts = term.parts().stream().map(CanonicalForm::plain).toList();
        return switch (term.kind()) {
            case NUMBER -> number(term.word());
            case NAME, TEXT -> term;
            case WORD -> term.word().equals("sysdate") || term.word().equals("systimestamp")
                    ? Term.of(Kind.WORD, "current_timestamp") : term;
            case LIST -> term.with(parts);
            case CAST -> cast(term.word(), parts.getFirst());
            case CALL -> call(term.word(), parts);
            case OPERATOR -> operator(term.word(), parts);
        };
    }

    /**
     * A number in one spelling; one of huge exponent stays, since written out it would fill the memory, and so does one
     * of very many digits, which would take long to read.
     */
    private static Term number(String text) {
        if (text.length() > MAX_DIGITS) {
            return Term.of(Kind.NUMBER, text);
        }
        try {
            BigDecimal number = new BigDecimal(text).stripTrailingZeros();
            boolean writtenOut = Math.abs((long) number.scale()) < MAX_DIGITS;
            return Term.of(Kind.NUMBER, writtenOut ? number.toPlainString() : number.toString());
        } catch (NumberFormatException e) {
            return Term.of(Kind.NUMBER, text);
        }
    }

    private static Term cast(String type, Term value) {
        if (value.kind() == Kind.TEXT && NUMBERS.contains(type) && value.word().matches("[+-]?[0-9]+(\\.[0-9]+)?")) {
            return number(value.word());
        }
        boolean byItself = value.constant() || BY_ITSELF.contains(type)
                || value.kind() == Kind.CALL && value.word().equals("array");
        return byItself ? value : Term.of(Kind.CAST, type, value);
    }

    private static Term call(String name, List<Term> parts) {
        boolean moment = NOW.containsKey(name) && parts.stream().allMatch(part -> part.kind() == Kind.NUMBER);
        if (moment) {
            boolean precise =
                    parts.isEmpty() || parts.getFirst().word().equals("6") || parts.getFirst().word().equals("0");
            return precise ? Term.of(Kind.WORD, NOW.get(name)) : new Term(Kind.CALL, NOW.get(name), parts);
        }
        String word = CALLS.getOrDefault(name, name);
        if (word.equals("trim") && parts.size() == 2 && parts.getFirst().equals(Term.of(Kind.WORD, "both"))) {
            return Term.of(Kind.CALL, "trim", parts.getLast());
        }
        if (word.equals("extract") && parts.size() == 2) {
            return Term.of(Kind.CALL, word, Term.of(Kind.WORD, parts.getFirst().word().toLowerCase(Locale.ROOT)),
                    parts.getLast());
        }
        if (word.equals("count") && parts.size() == 1 && parts.getFirst().kind() == Kind.NUMBER) {
            return Term.of(Kind.CALL, word, Term.of(Kind.WORD, "*"));
        }
        if (word.equals("case") && parts.size() > 1 && parts.getLast().equals(Term.of(Kind.WORD, "null"))) {
            return new Term(Kind.CALL, word, parts.subList(0, parts.size() - 1));
        }
        if (word.equals("group_concat") && parts.size() > 1 && parts.getLast().equals(Term.of(Kind.TEXT, ","))) {
            return new Term(Kind.CALL, word, parts.subList(0, parts.size() - 1));
        }
        if (word.equals("round") && parts.size() == 2 && parts.getLast().equals(Term.of(Kind.NUMBER, "0"))) {
            return Term.of(Kind.CALL, word, parts.getFirst());
        }
        if (word.equals("mod") && parts.size() == 2) {
            return new Term(Kind.OPERATOR, "%", parts);
        }
        if (word.equals("array") && parts.size() == 1) {
            return new Term(Kind.CALL, word, parts.getFirst().parts());
        }
        if (word.equals("concat")) {
            return new Term(Kind.OPERATOR, "||", parts);
        }
        return new Term(Kind.CALL, word, parts);
    }

    /**
     * An operation on numbers carried out, as some engines do before they keep an expression; the operation itself if
     * it is none.
     */
    private static Term counted(Term term) {
        boolean numbers = term.kind() == Kind.OPERATOR && term.parts().size() == 2 && term.parts().stream()
                .allMatch(part -> part.kind() == Kind.NUMBER && part.word().matches("-?[0-9.]+"));
        if (!numbers) {
            return term;
        }
        BigDecimal left = new BigDecimal(term.parts().getFirst().word());
        BigDecimal right = new BigDecimal(term.parts().getLast().word());
        return switch (term.word()) {
            case "+" -> number(left.add(right).toPlainString());
            case "-" -> number(left.subtract(right).toPlainString());
            case "*" -> number(left.multiply(right).toPlainString());
            case "=", "<>", "<", ">", "<=", ">=" -> {
                int order = left.compareTo(right);
                boolean holds = switch (term.word()) {
                    case "=" -> order == 0;
                    case "<>" -> order != 0;
                    case "<" -> order < 0;
                    case ">" -> order > 0;
                    case "<=" -> order <= 0;
                    default -> order >= 0;
                };
                yield Term.of(Kind.WORD, holds ? "true" : "false");
            }
            default -> term;
        };
    }

    private static Term operator(String word, List<Term> parts) {
        return counted(applied(word, parts));
    }

    private static Term applied(String word, List<Term> parts) {
        String spelled = SPELLED.getOrDefault(word, word);
        switch (spelled) {
            case "or" -> {
                return listed(new Term(Kind.OPERATOR, spelled, parts.stream()
                        .flatMap(part -> part.isOperator(spelled) ? part.parts().stream() : Stream.of(part)).toList()));
            }
            case "and" -> {
                return new Term(Kind.OPERATOR, spelled, parts.stream()
                        .flatMap(part -> part.isOperator(spelled) ? part.parts().stream() : Stream.of(part)).toList());
            }
            case "||" -> {
                return new Term(Kind.OPERATOR, spelled, parts.stream()
                        .flatMap(part -> part.isOperator(spelled) ? part.parts().stream() : Stream.of(part)).toList());
            }
            case "not" -> {
                return not(parts.getFirst());
            }
            case "between" -> {
                return operator("and", List.of(compared(">=", parts.get(0), parts.get(1)),
                        compared("<=", parts.get(0), parts.get(2))));
            }
            case "in", "= any" -> {
                return in(parts.getFirst(), items(parts.getLast()));
            }
            case "<> all" -> {
                return not(in(parts.getFirst(), items(parts.getLast())));
            }
            case "-" -> {
                return parts.size() == 1 && parts.getFirst().kind() == Kind.NUMBER
                        ? number(parts.getFirst().word().startsWith("-") ? parts.getFirst().word().substring(1)
                                : "-" + parts.getFirst().word())
                        : new Term(Kind.OPERATOR, spelled, parts);
            }
            default -> {
                if (word.equals("!~~") || word.equals("!~~*") || word.equals("!~") || word.equals("!~*")) {
                    return not(operator(word.substring(1), parts));
                }
                return MIRRORED.containsKey(spelled) ? compared(spelled, parts.getFirst(), parts.getLast())
                        : new Term(Kind.OPERATOR, spelled, parts);
            }
        }
    }

    private static List<Term> items(Term list) {
        return list.kind() == Kind.LIST || list.kind() == Kind.CALL && list.word().equals("array") ? list.parts()
                : List.of(list);
    }

    /** Alternatives that one value is one of several constants, as the list of them. */
    private static Term listed(Term or) {
        List<Term> items = new ArrayList<>();
        Term value = or.parts().getFirst().parts().isEmpty() ? or : or.parts().getFirst().parts().getFirst();
        for (Term part : or.parts()) {
            boolean chosen = (part.isOperator("=") || part.isOperator("in")) && part.parts().getFirst().equals(value)
                    && part.parts().stream().skip(1).allMatch(Term::constant);
            if (!chosen) {
                return or;
            }
            items.addAll(part.parts().subList(1, part.parts().size()));
        }
        return in(value, items);
    }

    private static Term in(Term value, List<Term> items) {
        if (items.size() == 1 && !items.getFirst().query()) {
            return compared("=", value, items.getFirst());
        }
        List<Term> parts = new ArrayList<>(List.of(value));
        parts.addAll(items);
        return new Term(Kind.OPERATOR, "in", parts);
    }

    /** A comparison with the constant on the right. */
    private static Term compared(String operator, Term left, Term right) {
        boolean truth = right.kind() == Kind.WORD && (right.word().equals("true") || right.word().equals("false"))
                && (operator.equals("=") || operator.equals("<>"));
        if (truth) {
            return right.word().equals("true") == operator.equals("=") ? left : not(left);
        }
        return left.constant() && !right.constant() ? Term.operator(MIRRORED.get(operator), right, left)
                : Term.operator(operator, left, right);
    }

    private static Term not(Term term) {
        if (term.kind() == Kind.OPERATOR && OPPOSITE.containsKey(term.word())) {
            return Term.operator(OPPOSITE.get(term.word()), term.parts().getFirst(), term.parts().getLast());
        }
        if (term.isOperator("not")) {
            return term.parts().getFirst();
        }
        if (term.isOperator("and") || term.isOperator("or")) {
            return applied(term.word().equals("and") ? "or" : "and",
                    term.parts().stream().map(CanonicalForm::not).toList());
        }
        return Term.operator("not", term);
    }
}
