package entaxis.core.engine.postgresql;

import entaxis.core.design.Target;
import entaxis.core.expression.CanonicalForm;
import entaxis.core.reconcile.CatalogWording;
import entaxis.core.reconcile.ProgramParts;
import entaxis.core.schema.Program;
import entaxis.core.sql.Dialect;
import entaxis.core.type.SqlType;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** PostgreSQL manual, “System Catalogs” and “System Catalog Information Functions”. */
public final class PostgreSqlWording extends CatalogWording {
    private static final Pattern MADE_UP = Pattern.compile(".*_(pkey|key|fkey|check)[0-9]*");
    private static final Pattern TRUTH =
            Pattern.compile("(?i)'\\s*(t|tr|tru|true|y|ye|yes|on|1|f|fa|fal|fals|false|n|no|of|off|0)\\s*'");
    private static final Pattern TRUE = Pattern.compile("(?i)'\\s*(t|tr|tru|true|y|ye|yes|on|1)\\s*'");
    private static final Pattern BITS = Pattern.compile("(?i)b('[01]*')");
    private static final Pattern DOLLARS = Pattern.compile("(?i)\\bas\\s+(\\$\\w*\\$)");
    private static final Pattern QUOTES = Pattern.compile("(?is)\\bas\\s+'([^']*+(?:''[^']*+)*+)'");
    private static final Pattern LANGUAGE = Pattern.compile("(?i)\\blanguage\\s+'(\\w+)'");
    private static final Pattern ZONED =
            Pattern.compile("(?i)\\b(timestamp|time)(?:\\s*\\(\\d+\\))?\\s+with\\s+time\\s+zone\\b");
    private static final Pattern WHEN = Pattern.compile("(?is)\\bwhen\\s*(\\(.*\\))\\s*execute\\b");

    @Override
    public boolean ignoresCase() {
        return false;
    }

    @Override
    public boolean isMadeUp(String name) {
        return MADE_UP.matcher(name).matches();
    }

    /** PostgreSQL manual, 8.6 and 4.1.2.5: some texts mean true or false; the catalog keeps bit strings as texts. */
    @Override
    public String defaultMeaning(String neutral, String canonical, SqlType type) {
        if (type instanceof SqlType.BooleanType && truth(neutral).isPresent()) {
            return truth(neutral).get().toString();
        }
        Matcher bits = BITS.matcher(neutral);
        return bits.matches() ? CanonicalForm.of(bits.group(1)) : canonical;
    }

    /** What a text means as a truth value. */
    static Optional<Boolean> truth(String text) {
        return TRUTH.matcher(text).matches() ? Optional.of(TRUE.matcher(text).matches()) : Optional.empty();
    }

    @Override
    public boolean tellsProgramComments() {
        return true;
    }

    /** PostgreSQL manual, CREATE TRIGGER. */
    @Override
    public boolean triggersOnlyCall() {
        return true;
    }

    /** PostgreSQL manual, pg_proc (prosrc), pg_get_functiondef and pg_get_triggerdef. */
    @Override
    public ProgramParts parts(Program program) {
        String text = program.text();
        return switch (program.kind()) {
            case VIEW, RULE -> ProgramParts.head(text, Set.of());
            case TRIGGER -> ProgramParts.head(text, firing(text));
            default -> routine(text);
        };
    }

    private static ProgramParts routine(String text) {
        Matcher dollars = DOLLARS.matcher(text);
        int end = dollars.find() ? text.indexOf(dollars.group(1), dollars.end()) : -1;
        if (end >= 0) {
            String head = text.substring(0, dollars.start()) + text.substring(end + dollars.group(1).length());
            return kept(head, text.substring(dollars.end(), end));
        }
        Matcher quotes = QUOTES.matcher(text);
        return quotes.find()
                ? kept(text.substring(0, quotes.start()) + text.substring(quotes.end()),
                        quotes.group(1).replace("''", "'"))
                : ProgramParts.head(plain(text), used(plain(text)));
    }

    private static ProgramParts kept(String head, String body) {
        return new ProgramParts(plain(head), used(plain(head)), Optional.of(ProgramParts.withoutBlanks(body)));
    }

    /** PostgreSQL manual, CREATE FUNCTION: the name of the language takes quotes or none. */
    private static String plain(String head) {
        return LANGUAGE.matcher(head).replaceAll("language $1");
    }

    private static Set<String> used(String worded) {
        String head = ZONED.matcher(worded).replaceAll("$1tz").replaceAll("(?i)\\s+without\\s+time\\s+zone", "");
        Set<String> words = ProgramParts.words(head.replaceAll("(?i)returns\\s+null\\s+on\\s+null\\s+input", "strict"),
                ProgramParts.USE);
        if (head.matches("(?is).*\\bsecurity\\s+definer\\b.*")) {
            words.add("definer");
        }
        return words;
    }

    private Set<String> firing(String text) {
        Matcher when = WHEN.matcher(text);
        boolean found = when.find();
        Set<String> words = ProgramParts.words(found ? text.substring(0, when.start()) : text, ProgramParts.FIRING);
        if (found) {
            words.add(CanonicalForm.of(Dialect.of(engine()).standard(when.group(1))));
        }
        return words;
    }
    @Override
    public Target engine() {
        return Target.POSTGRESQL;
    }

    @Override
    public boolean programsFollowRenames() {
        return true;
    }

    @Override
    public String notRead() {
        return "owners, privileges on columns and schemas, row security, storage, "
                + "bounds of partitions, foreign tables, aggregates, operators, publications, event triggers";
    }
}
