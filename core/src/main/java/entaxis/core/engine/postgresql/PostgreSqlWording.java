package entaxis.core.engine.postgresql;

import entaxis.core.expression.CanonicalForm;
import entaxis.core.reconcile.CatalogWording;
import entaxis.core.reconcile.ProgramParts;
import entaxis.core.schema.Program;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import entaxis.core.token.SqlText;
import entaxis.core.type.SqlType;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/** PostgreSQL manual, “System Catalogs” and “System Catalog Information Functions”. */
public final class PostgreSqlWording extends CatalogWording {
    private static final Pattern MADE_UP = Pattern.compile(".*_(pkey|key|fkey|check)[0-9]*");
    private static final Set<String> TRUE = Set.of("t", "tr", "tru", "true", "y", "ye", "yes", "on", "1");
    private static final Set<String> FALSE =
            Set.of("f", "fa", "fal", "fals", "false", "n", "no", "of", "off", "0");

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
        SqlText text = SqlText.of(neutral);
        boolean bits = text.size() == 1 && text.at(0).mark().equals("b");
        return bits ? CanonicalForm.of("'" + text.at(0).string() + "'") : canonical;
    }

    /** What a text means as a truth value. */
    static Optional<Boolean> truth(String text) {
        SqlText sql = SqlText.of(text);
        String word = sql.size() == 1 && sql.isString(0) ? sql.at(0).string().strip().toLowerCase(Locale.ROOT) : "";
        return TRUE.contains(word) ? Optional.of(true) : FALSE.contains(word) ? Optional.of(false) : Optional.empty();
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

    /** PostgreSQL manual, CREATE FUNCTION: the body stands behind AS, in quotes or between dollars. */
    private static ProgramParts routine(String text) {
        SqlText sql = SqlText.of(text);
        for (int as = sql.find(0, "as"); as >= 0; as = sql.find(as + 1, "as")) {
            if (sql.isString(as + 1)) {
                return kept(sql.edit().replace(as, as + 2, "").text(), sql.at(as + 1).string());
            }
            int dollar = sql.at(as + 1).start();
            int tagEnd = sql.is(as + 1, "$") ? text.indexOf('$', dollar + 1) + 1 : 0;
            int end = tagEnd > 0 ? text.indexOf(text.substring(dollar, tagEnd), tagEnd) : -1;
            if (end >= 0) {
                String head = text.substring(0, sql.at(as).start()) + text.substring(end + tagEnd - dollar);
                return kept(head, text.substring(tagEnd, end));
            }
        }
        return ProgramParts.head(plain(text), used(plain(text)));
    }

    private static ProgramParts kept(String head, String body) {
        return new ProgramParts(plain(head), used(plain(head)), Optional.of(ProgramParts.withoutBlanks(body)));
    }

    /** PostgreSQL manual, CREATE FUNCTION: the name of the language takes quotes or none. */
    private static String plain(String head) {
        SqlText text = SqlText.of(head);
        int language = text.find(0, "language");
        return language < 0 || !text.isString(language + 1) ? head
                : text.edit().replace(language + 1, language + 2, text.at(language + 1).string()).text();
    }

    /** PostgreSQL manual, 8.5 and CREATE FUNCTION: what is said in several words counts as one. */
    private static Set<String> used(String head) {
        SqlText text = SqlText.of(head);
        SqlText.Edit edit = text.edit();
        for (int i = 0; i < text.size(); i++) {
            int zone = text.is(i, "timestamp") || text.is(i, "time")
                    ? text.is(i + 1, "(") ? text.closing(i + 1) + 1 : i + 1 : text.size();
            if (text.is(zone, "with", "time", "zone")) {
                edit.replace(i, zone + 3, text.at(i).text() + "tz");
                i = zone + 2;
            } else if (text.is(i, "without", "time", "zone")) {
                edit.replace(i, i + 3, "");
            } else if (text.is(i, "returns", "null", "on", "null", "input")) {
                edit.replace(i, i + 5, "strict");
                i += 4;
            }
        }
        Set<String> words = ProgramParts.words(edit.text(), ProgramParts.USE);
        if (text.find(0, "security", "definer") >= 0) {
            words.add("definer");
        }
        return words;
    }

    private Set<String> firing(String text) {
        SqlText sql = SqlText.of(text);
        int when = sql.find(0, "when", "(");
        int close = when < 0 ? sql.size() : sql.closing(when + 1);
        boolean found = sql.is(close + 1, "execute");
        Set<String> words = ProgramParts.words(found ? sql.before(when) : text, ProgramParts.FIRING);
        if (found) {
            words.add(CanonicalForm.of(Dialect.of(engine()).standard(sql.between(when + 1, close + 1))));
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
                + "foreign tables, aggregates, operators, publications, event triggers";
    }
}
