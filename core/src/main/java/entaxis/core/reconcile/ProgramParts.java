package entaxis.core.reconcile;

import entaxis.core.design.ProgramKind;
import entaxis.core.design.Target;
import entaxis.core.expression.CanonicalForm;
import entaxis.core.schema.Program;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.token.Lexer;
import entaxis.core.token.Token;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A routine, trigger or view in two parts: what an engine keeps letter by letter, and the head, which it words anew.
 * PostgreSQL manual, pg_proc (prosrc), pg_get_functiondef and pg_get_triggerdef; MariaDB manual, “Information Schema
 * TRIGGERS Table” and SHOW CREATE PROCEDURE; Oracle Database Reference, ALL_VIEWS (TEXT) and ALL_SOURCE. Linear.
 *
 * @param head the text without what is kept
 * @param said what the head says beside names and constants: when a trigger fires, the types of a routine, how it may
 *             be used
 * @param kept the part that is kept, blanks aside; empty if there is none
 */
record ProgramParts(String head, Set<String> wordsIn, Optional<String> kept) {
    private static final Pattern DOLLARS = Pattern.compile("(?is)\\bas\\s+(\\$\\w*\\$)(.*?)\\1");
    private static final Pattern QUOTES = Pattern.compile("(?is)\\bas\\s+'([^']*+(?:''[^']*+)*+)'");
    private static final Pattern LANGUAGE = Pattern.compile("(?i)\\blanguage\\s+'(\\w+)'");
    private static final Pattern ZONED =
            Pattern.compile("(?i)\\b(timestamp|time)(?:\\s*\\(\\d+\\))?\\s+with\\s+time\\s+zone\\b");
    private static final Pattern EACH_ROW = Pattern.compile("(?is)\\bfor\\s+each\\s+row\\b(.*)");
    private static final Pattern QUERY = Pattern.compile("(?is)\\bas\\s(.*)");
    private static final Pattern BEHIND_NAME = Pattern.compile(
            "(?is)\\b(?:function|procedure|trigger|package(?:\\s+body)?)\\s+"
                    + "(?:[\\w$#]+\\s*\\.\\s*|\"[^\"]+\"\\s*\\.\\s*)?(?:[\\w$#]+|\"[^\"]+\")(.*)");
    private static final Pattern WHEN = Pattern.compile("(?is)\\bwhen\\s*(\\(.*\\))\\s*execute\\b");
    private static final Set<String> FIRING = Set.of("before", "after", "instead", "insert", "update", "delete",
            "truncate", "row", "deferrable", "deferred");
    private static final Set<String> USE = Set.of("immutable", "stable", "strict", "leakproof", "deterministic",
            "reads", "modifies", "int", "bigint", "smallint", "tinyint", "numeric", "real", "double",
            "boolean", "text", "character", "date", "timestamp", "timestamptz", "time", "timetz", "datetime",
            "interval", "json", "jsonb",
            "uuid", "bytea", "blob", "void", "trigger", "setof", "inout", "out");
    private static final Map<String,
            String> SPELLED = Map.ofEntries(Map.entry("integer", "int"), Map.entry("int4", "int"),
                    Map.entry("int8", "bigint"), Map.entry("int2", "smallint"),
                    Map.entry("varchar", "character"), Map.entry("char", "character"), Map.entry("bool", "boolean"),
                    Map.entry("decimal", "numeric"), Map.entry("dec", "numeric"), Map.entry("float8", "double"),
                    Map.entry("float", "double"),
                    Map.entry("float4", "real"));
    private static final Set<String> OF_ROUTINES = Set.of("language", "sql", "not", "deterministic", "contains", "no",
            "reads", "modifies", "data", "security", "definer", "invoker");
    private static final Set<String> OF_TYPES = Set.of("unsigned", "zerofill");

    static ProgramParts of(Program program) {
        String text = program.text();
        boolean view = program.kind() == ProgramKind.VIEW;
        boolean trigger = program.kind() == ProgramKind.TRIGGER;
        return switch (program.target()) {
            case POSTGRESQL -> view || program.kind() == ProgramKind.RULE ? head(text, Set.of())
                    : trigger ? head(text, firing(text)) : routine(text);
            case MYSQL, MARIADB -> {
                if (view) {
                    yield head(text, Set.of());
                }
                int body = trigger ? EACH_ROW.matcher(text).results().findFirst().map(found -> found.start(1))
                        .orElse(text.length()) : body(text);
                String head = text.substring(0, body).replaceAll("(?i)\\bdefiner\\s*=\\s*\\S+", "");
                Set<String> wordsIn = wordsIn(head, trigger ? FIRING : USE);
                wordsIn.add(parameters(head));
                // MySQL manual, “Using Data Types from Other Database Engines”: BOOL is TINYINT
                if (wordsIn.remove("boolean")) {
                    wordsIn.add("tinyint");
                }
                yield new ProgramParts("", wordsIn, Optional.of(plain(uncommented(text.substring(body)))));
            }
            case ORACLE -> new ProgramParts("", Set.of(), found(view ? QUERY : BEHIND_NAME, text));
            case SQLITE, SQLSERVER, H2, ISO -> head(text, Set.of());
        };
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

    /** What stands in the first brackets of a head, blanks aside. */
    private static String parameters(String head) {
        int open = head.indexOf('(');
        int depth = 0;
        for (int i = Math.max(open, 0); open >= 0 && i < head.length(); i++) {
            depth += head.charAt(i) == '(' ? 1 : head.charAt(i) == ')' ? -1 : 0;
            if (depth == 0) {
                return plain(head.substring(open, i + 1)).replaceAll("\\s*([(),])\\s*", "$1").toLowerCase(Locale.ROOT);
            }
        }
        return "";
    }

    /** Whether the two parts tell programs apart. */
    boolean apart(ProgramParts other) {
        return !wordsIn.equals(other.wordsIn) || kept.isPresent() && other.kept.isPresent() && !kept.equals(other.kept);
    }

    private static ProgramParts head(String text, Set<String> wordsIn) {
        return new ProgramParts(text, wordsIn, Optional.empty());
    }

    private static ProgramParts routine(String written) {
        // PostgreSQL manual, CREATE FUNCTION: the language may stand in quotes
        String text = LANGUAGE.matcher(written).replaceAll("language $1");
        Matcher dollars = DOLLARS.matcher(text);
        boolean found = dollars.find();
        Matcher quotes = QUOTES.matcher(text);
        if (!found && !quotes.find()) {
            return head(text, used(text));
        }
        String head = text.substring(0, (found ? dollars : quotes).start())
                + text.substring((found ? dollars : quotes).end());
        return new ProgramParts(head, used(head),
                Optional.of(plain(found ? dollars.group(2) : quotes.group(1).replace("''", "'"))));
    }

    private static Set<String> used(String worded) {
        String head = ZONED.matcher(worded).replaceAll("$1tz").replaceAll("(?i)\\s+without\\s+time\\s+zone", "");
        Set<String> wordsIn = wordsIn(head.replaceAll("(?i)returns\\s+null\\s+on\\s+null\\s+input", "strict"), USE);
        if (head.matches("(?is).*\\bsecurity\\s+definer\\b.*")) {
            wordsIn.add("definer");
        }
        return wordsIn;
    }

    private static Set<String> firing(String text) {
        Matcher when = WHEN.matcher(text);
        boolean found = when.find();
        Set<String> wordsIn = wordsIn(found ? text.substring(0, when.start()) : text, FIRING);
        if (found) {
            wordsIn.add(CanonicalForm.of(IsoNormalizer.condition(when.group(1), Dialect.of(Target.POSTGRESQL))));
        }
        return wordsIn;
    }

    private static Set<String> wordsIn(String head, Set<String> words) {
        Set<String> wordsIn = new HashSet<>();
        String before = "";
        for (Token token : Lexer.tokens(head)) {
            String word = token.text().toLowerCase(Locale.ROOT);
            String spelled = SPELLED.getOrDefault(word, word);
            boolean cast = before.equals(":");
            boolean denied = before.equals("not");
            if (token.kind() == Token.Kind.WORD && words.contains(spelled) && !cast && !denied) {
                wordsIn.add(spelled);
            }
            before = token.kind() == Token.Kind.SPACE ? before : word;
        }
        return wordsIn;
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

    private static Optional<String> found(Pattern pattern, String text) {
        Matcher matcher = pattern.matcher(text);
        return matcher.find() ? Optional.of(plain(matcher.group(1))) : Optional.empty();
    }

    private static String plain(String text) {
        return text.replaceAll("\\s+", " ").strip().replaceFirst("[;\\s/]+$", "");
    }
}
