package entaxis.core.sql;

import entaxis.core.token.Lexer;
import entaxis.core.token.Token.Kind;
import entaxis.core.token.Token;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * How a part of an index is ordered, as PostgreSQL says it behind the column or expression: collation, operator class,
 * place of what is null (PostgreSQL manual, CREATE INDEX).
 */
public final class IndexOrdering {
    /** Operator classes that go without saying (PostgreSQL manual, pg_opclass, opcdefault). */
    private static final Set<String> USUAL = Set.of("text_ops", "int2_ops", "int4_ops", "int8_ops", "numeric_ops",
            "date_ops", "timestamp_ops", "timestamptz_ops", "bool_ops", "uuid_ops", "jsonb_ops", "array_ops",
            "tsvector_ops", "bytea_ops", "bpchar_ops", "float4_ops", "float8_ops", "oid_ops", "char_ops", "name_ops",
            "time_ops", "timetz_ops", "interval_ops", "enum_ops", "range_ops", "bit_ops", "varbit_ops");

    private IndexOrdering() { }

    /** What is said behind a part of an index, without what goes without saying, in one spelling. */
    public static String canonical(String said, boolean descending) {
        List<Token> tokens = Lexer.tokens(said);
        List<String> words = new ArrayList<>();
        for (int i = 0; i < tokens.size(); i++) {
            Token token = tokens.get(i);
            if (token.is("asc") || token.is("desc")) {
                continue;
            }
            if (token.is("nulls") && i + 1 < tokens.size()) {
                boolean first = tokens.get(++i).is("first");
                if (first != descending) {
                    words.add("NULLS " + (first ? "FIRST" : "LAST"));
                }
            } else if (token.is("collate") && i + 1 < tokens.size()) {
                i = behindSchema(tokens, i + 1);
                words.add("COLLATE \"" + tokens.get(i).name() + "\"");
            } else if (token.isName()) {
                i = behindSchema(tokens, i);
                String name = tokens.get(i).name().toLowerCase(Locale.ROOT);
                boolean options = i + 1 < tokens.size() && tokens.get(i + 1).is("(");
                if (!USUAL.contains(name) || options) {
                    words.add(name);
                }
            } else if (token.is("(") && !words.isEmpty()) {
                int close = closing(tokens, i);
                words.add(words.removeLast() + tokens.subList(i, close + 1).stream().map(Token::text)
                        .collect(Collectors.joining()));
                i = close;
            }
        }
        return String.join(" ", words);
    }

    /** Where the options of an operator class end, which stand in brackets. */
    private static int closing(List<Token> tokens, int open) {
        int at = open;
        while (at + 1 < tokens.size() && !tokens.get(at).is(")")) {
            at++;
        }
        return at;
    }

    private static int behindSchema(List<Token> tokens, int from) {
        int at = from;
        while (at + 2 < tokens.size() && tokens.get(at + 1).is(".")) {
            at += 2;
        }
        return at;
    }

    /** What the definition of an index says behind each of its parts; the text is PostgreSQL's own. */
    public static List<String> ofDefinition(String definition) {
        List<Token> tokens = Lexer.pieces(definition);
        List<String> orderings = new ArrayList<>();
        int at = 0;
        while (at < tokens.size() && !tokens.get(at).is("(")) {
            at++;
        }
        StringBuilder behind = new StringBuilder();
        boolean unit = true;
        int depth = 1;
        for (at++; at < tokens.size() && depth > 0; at++) {
            Token token = tokens.get(at);
            depth += token.is("(") ? 1 : token.is(")") ? -1 : 0;
            boolean ends = depth == 0 || depth == 1 && token.is(",");
            if (ends) {
                orderings.add(behind.toString().strip());
                behind.setLength(0);
                unit = true;
            } else if (unit && depth == 1 && token.kind() == Kind.SPACE && at > 0 && !tokens.get(at - 1).is(",")) {
                unit = false;
            } else if (!unit) {
                behind.append(token.text());
            }
        }
        return orderings;
    }
}
