package entaxis.core.engine.mysql;

import entaxis.core.design.ProgramKind;
import entaxis.core.design.Target;
import entaxis.core.expression.CanonicalForm;
import entaxis.core.reconcile.CatalogWording;
import entaxis.core.reconcile.ProgramParts;
import entaxis.core.schema.Program;
import entaxis.core.token.Lexer;
import entaxis.core.token.Token;
import entaxis.core.type.SqlType;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/** MySQL manual, “INFORMATION_SCHEMA Tables” and SHOW CREATE. */
public class MySqlWording extends CatalogWording {
    private static final Pattern MADE_UP = Pattern.compile(".*_(ibfk|chk)_[0-9]+");
    private static final Pattern OCTETS = Pattern.compile("(?i)\\boctet_length\\s*\\(");
    private static final Set<String> OF_ROUTINES = Set.of("language", "sql", "not", "deterministic", "contains", "no",
            "reads", "modifies", "data", "security", "definer", "invoker");
    private static final Set<String> OF_TYPES = Set.of("unsigned", "zerofill");
    private static final Pattern EACH_ROW = Pattern.compile("(?is)\\bfor\\s+each\\s+row\\b(.*)");

    @Override
    public boolean isMadeUp(String name) {
        return MADE_UP.matcher(name).matches();
    }

    /** MariaDB manual, LENGTH: it counts octets, and is kept as OCTET_LENGTH. */
    @Override
    public String neutral(String condition) {
        return OCTETS.matcher(condition).replaceAll("length(");
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
        int body = trigger
                ? EACH_ROW.matcher(text).results().findFirst().map(found -> found.start(1)).orElse(text.length())
                : body(text);
        String head = text.substring(0, body).replaceAll("(?i)\\bdefiner\\s*=\\s*\\S+", "");
        Set<String> words = ProgramParts.words(head, trigger ? ProgramParts.FIRING : ProgramParts.USE);
        words.add(parameters(head));
        // MySQL manual, “Using Data Types from Other Database Engines”: BOOL is TINYINT
        if (words.remove("boolean")) {
            words.add("tinyint");
        }
        return new ProgramParts("", words,
                Optional.of(ProgramParts.withoutBlanks(uncommented(text.substring(body)))));
    }

    /** Without comments, which the engine's client leaves out (MySQL manual, “mysql Client Options”, --comments). */
    private static String uncommented(String body) {
        StringBuilder plain = new StringBuilder(body.length());
        for (Token token : Lexer.tokens(body)) {
            String text = token.text();
            boolean comment = token.kind() == Token.Kind.COMMENT
                    && (text.startsWith("/*") || text.length() < 3 || text.charAt(2) <= ' ');
            plain.append(comment ? " " : text);
        }
        return plain.toString();
    }

    /** The parameter list of a head, without its blanks. */
    private static String parameters(String head) {
        int open = head.indexOf('(');
        int depth = 0;
        for (int i = Math.max(open, 0); open >= 0 && i < head.length(); i++) {
            depth += head.charAt(i) == '(' ? 1 : head.charAt(i) == ')' ? -1 : 0;
            if (depth == 0) {
                return ProgramParts.withoutBlanks(head.substring(open, i + 1)).replaceAll("\\s*([(),])\\s*", "$1")
                        .toLowerCase(Locale.ROOT);
            }
        }
        return "";
    }

    /** Where the body of a routine of MySQL begins: behind its parameters, its type and its characteristics. */
    private static int body(String text) {
        List<Token> tokens = Lexer.tokens(text).stream()
                .filter(token -> token.kind() != Token.Kind.SPACE && token.kind() != Token.Kind.COMMENT).toList();
        int i = 0;
        while (i < tokens.size() && !tokens.get(i).is("(")) {
            i++;
        }
        i = closed(tokens, i);
        if (i < tokens.size() && tokens.get(i).is("returns")) {
            i = closed(tokens, i + 2);
        }
        boolean head = true;
        while (head && i < tokens.size()) {
            String word = tokens.get(i).text().toLowerCase(Locale.ROOT);
            boolean named = Set.of("charset", "collate", "comment").contains(word);
            boolean set = word.equals("character") && i + 1 < tokens.size() && tokens.get(i + 1).is("set");
            head = named || set || OF_ROUTINES.contains(word) || OF_TYPES.contains(word);
            i += named ? 2 : set ? 3 : head ? 1 : 0;
        }
        return i < tokens.size() ? tokens.get(i).start() : text.length();
    }

    /** Behind the brackets that open here, if they do. */
    private static int closed(List<Token> tokens, int from) {
        int depth = 0;
        int i = from;
        while (i < tokens.size() && (depth > 0 || tokens.get(i).is("("))) {
            depth += tokens.get(i).is("(") ? 1 : tokens.get(i).is(")") ? -1 : 0;
            i++;
        }
        return i;
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
