package entaxis.core.engine.mysql;

import entaxis.core.expression.CanonicalForm;
import entaxis.core.expression.Expression;
import entaxis.core.reconcile.CatalogWording;
import entaxis.core.reconcile.ProgramParts;
import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.targets.Target;
import entaxis.core.token.Lexer;
import entaxis.core.token.SqlText;
import entaxis.core.token.Token;
import entaxis.core.type.SqlType;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/** MySQL manual, “INFORMATION_SCHEMA Tables” and SHOW CREATE. */
public class MySqlWording extends CatalogWording {
    private static final Pattern MADE_UP = Pattern.compile(".*_(ibfk|chk)_[0-9]+");
    private static final Map<String, String> CALLS = Map.of("octet_length", "length");
    private static final Set<String> OF_ROUTINES = Set.of("language", "sql", "not", "deterministic", "contains", "no",
            "reads", "modifies", "data", "security", "definer", "invoker");
    private static final Set<String> OF_TYPES = Set.of("unsigned", "zerofill");

    @Override
    public boolean isMadeUp(String name) {
        return MADE_UP.matcher(name).matches();
    }

    /** MariaDB manual, LENGTH: it counts octets, and is kept as OCTET_LENGTH. */
    @Override
    public String neutral(String condition) {
        return Expression.of(condition).callingOtherwise(CALLS).text();
    }

    /** MySQL manual, “Boolean Literals”. */
    @Override
    public boolean numericTruth() {
        return true;
    }

    /** MySQL manual, “Boolean Literals” and “Date and Time Data Types”: 0 means false, or the zero date. */
    @Override
    public String defaultMeaning(String neutral, String canonical, SqlType type) {
        return switch (canonical) {
            case "true" -> "1";
            case "false", "0" -> switch (type) {
                case SqlType.DateType day -> CanonicalForm.of("'0000-00-00'");
                case SqlType.TimestampType moment -> CanonicalForm.of("'0000-00-00 00:00:00'");
                default -> "0";
            };
            default -> canonical;
        };
    }

    @Override
    public boolean qualifiesSequences() {
        return true;
    }

    /** MySQL manual, “INFORMATION_SCHEMA TABLES”: AUTO_INCREMENT is the next number, not the first. */
    @Override
    public boolean tellsNumbering() {
        return false;
    }

    /** MySQL manual, “FOREIGN KEY Constraints”. */
    @Override
    public boolean showsSupportingIndexes() {
        return true;
    }

    /** MySQL manual, SHOW CREATE PROCEDURE and SHOW CREATE TRIGGER: the body is kept letter by letter. */
    @Override
    public ProgramParts parts(Program program) {
        String text = program.text();
        if (program.kind() == ProgramKind.VIEW) {
            return super.parts(program);
        }
        boolean trigger = program.kind() == ProgramKind.TRIGGER;
        SqlText tokens = SqlText.of(text);
        int body = trigger ? behindEachRow(tokens) : body(tokens);
        String head = withoutDefiner(tokens.before(body));
        Set<String> words = ProgramParts.words(head, trigger ? ProgramParts.FIRING : ProgramParts.USE);
        words.add(parameters(head));
        // MySQL manual, “Using Data Types from Other Database Engines”: BOOL is TINYINT
        if (words.remove("boolean")) {
            words.add("tinyint");
        }
        return new ProgramParts("", words,
                Optional.of(ProgramParts.withoutBlanks(uncommented(tokens.from(body)))));
    }

    private static int behindEachRow(SqlText text) {
        int each = text.find(0, "for", "each", "row");
        return each < 0 ? text.size() : each + 3;
    }

    /** A head without the user who defined it, who stands behind an equals sign up to the next blank. */
    private static String withoutDefiner(String head) {
        SqlText text = SqlText.of(head);
        int definer = text.find(0, "definer", "=");
        if (definer < 0) {
            return head;
        }
        int end = definer + 3;
        while (end < text.size() && text.at(end).start() == text.at(end - 1).end()) {
            end++;
        }
        return text.edit().replace(definer, Math.min(end, text.size()), "").text();
    }

    /** Without comments, which the engine's client leaves out (MySQL manual, “mysql Client Options”, --comments). */
    private static String uncommented(String body) {
        StringBuilder plain = new StringBuilder(body.length());
        for (Token token : Lexer.pieces(body)) {
            String text = token.text();
            boolean comment = token.kind() == Token.Kind.COMMENT
                    && (text.startsWith("/*") || text.length() < 3 || text.charAt(2) <= ' ');
            plain.append(comment ? " " : text);
        }
        return plain.toString();
    }

    /** The parameter list of a head, in small letters and without blanks around its signs. */
    private static String parameters(String head) {
        SqlText text = SqlText.of(head);
        int open = text.find(0, "(");
        int close = open < 0 ? text.size() : text.closing(open);
        if (close == text.size()) {
            return "";
        }
        StringBuilder parameters = new StringBuilder();
        for (int i = open; i <= close; i++) {
            boolean apart = i > open && text.at(i).start() > text.at(i - 1).end() && !isSign(text.at(i))
                    && !isSign(text.at(i - 1));
            parameters.append(apart ? " " : "").append(text.at(i).text().toLowerCase(Locale.ROOT));
        }
        return parameters.toString();
    }

    private static boolean isSign(Token token) {
        return token.is("(") || token.is(")") || token.is(",");
    }

    /** Where the body of a routine begins: behind its parameters, its type and its characteristics. */
    private static int body(SqlText text) {
        int open = text.find(0, "(");
        int i = open < 0 ? text.size() : behind(text, open);
        if (text.is(i, "returns")) {
            i = behind(text, i + 2);
        }
        boolean head = true;
        while (head && i < text.size()) {
            String word = text.at(i).text().toLowerCase(Locale.ROOT);
            boolean named = Set.of("charset", "collate", "comment").contains(word);
            boolean set = text.is(i, "character", "set");
            head = named || set || OF_ROUTINES.contains(word) || OF_TYPES.contains(word);
            i += named ? 2 : set ? 3 : head ? 1 : 0;
        }
        return i;
    }

    /** Behind the brackets that open at a place, if they do. */
    private static int behind(SqlText text, int open) {
        return text.is(open, "(") ? Math.min(text.closing(open) + 1, text.size()) : open;
    }

    @Override
    public Target engine() {
        return Target.MYSQL;
    }

    @Override
    public String notRead() {
        return "privileges, events, storage engines and character sets of tables, partitions";
    }
}
