package entaxis.core.reconcile;

import entaxis.core.expression.CanonicalQuery;
import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import entaxis.core.token.Lexer;
import entaxis.core.token.SqlText;
import entaxis.core.token.Token.Kind;
import entaxis.core.token.Token;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/**
 * What a view or routine speaks of. Engines reword them: they put brackets and qualifiers, spell comparisons and
 * types otherwise, give names to what had none (PostgreSQL manual, pg_get_viewdef; MariaDB manual, “Information Schema
 * VIEWS Table”). What they leave is which tables, columns and constants are spoken of; two texts that differ in that
 * are surely apart, two that do not may be the same. Linear in the texts.
 */
final class CanonicalProgram {
    private static final Map<Target, Set<String>> WORDS = new ConcurrentHashMap<>();
    /** What a bracket with numbers that say nothing stands behind: the lengths of types, and what is counted. */
    private static final Set<String> SIZED = Set.of("varchar", "char", "character", "varying", "numeric", "decimal",
            "timestamp", "time", "bit", "binary", "varbinary", "int", "integer", "bigint", "smallint",
            "tinyint", "float", "double", "datetime", "count", "now", "current_timestamp");
    private static final Set<String> MOMENTS = Set.of("interval", "date", "time", "timestamp");

    private final Set<String> words;
    private final List<Token> tokens;
    private final Set<String> names = new HashSet<>();
    private final Set<String> called = new HashSet<>();
    private final Set<String> constants = new HashSet<>();
    private boolean moments;
    private boolean all;

    private CanonicalProgram(String text, Target engine) {
        this.words = WORDS.computeIfAbsent(engine, CanonicalProgram::words);
        this.tokens = Lexer.tokens(text).stream().filter(token -> !token.text().equals("`")).toList();
        read();
    }

    /** Words that name nothing: those that standard or engine reserve, and those of types and routines. */
    private static Set<String> words(Target engine) {
        Set<String> words = new HashSet<>(Set.of(
                ("view materialized replace algorithm definer undefined merge temptable security invoker option "
                        + "cascaded local begin end language returns return function procedure trigger "
                        + "execute each row rows statement after before instead new old if then elsif elseif loop "
                        + "while declare sql plpgsql stable immutable volatile strict cost parallel safe restricted "
                        + "unsafe deterministic "
                        + "contains reads modifies data utf8mb4 utf8mb3 utf8 latin1 charset collate varying precision "
                        + "zone text int integer bigint smallint tinyint numeric decimal real double float boolean "
                        + "date time timestamp "
                        + "datetime interval int2 int4 int8 float4 float8 bool timestamptz timetz bpchar null called "
                        + "input leakproof support varchar char character bytea json jsonb uuid without first last "
                        + "nulls ordinality within filter body type year month day hour minute second")
                        .split(" ")));
        words.addAll(Dialect.of(Target.STANDARD).reserved());
        words.addAll(Dialect.of(engine).reserved());
        return words;
    }

    /**
     * Whether a live engine's text says something else than the one that is wanted: by its query where that can be
     * read, by what engines keep as it is, else by what it speaks of.
     */
    static boolean apart(Program wanted, Program live) {
        Optional<Boolean> same = sameView(wanted, live);
        if (same.isPresent()) {
            return !same.get();
        }
        ProgramParts one = ProgramParts.of(wanted);
        ProgramParts other = ProgramParts.of(live);
        boolean halved = one.kept().isPresent() && other.kept().isPresent();
        return one.apart(other)
                || (halved ? spokenApart(one.head(), other.head(), wanted.target())
                        : spokenApart(wanted.text(), live.text(), wanted.target()));
    }

    /**
     * Whether two texts of scripts surely make the same: views by their queries; routines and triggers by what engines
     * keep letter by letter and by what the rest says, whatever its order and spelling.
     */
    static boolean surelySame(Program one, Program other) {
        if (one.target() != other.target() || Comparison.text(one).equals(Comparison.text(other))) {
            return one.target() == other.target();
        }
        Optional<Boolean> view = sameView(one, other);
        if (view.isPresent() || one.kind() == ProgramKind.VIEW) {
            return view.orElse(false);
        }
        ProgramParts first = ProgramParts.of(one);
        ProgramParts second = ProgramParts.of(other);
        boolean kept = first.kept().isPresent() && second.kept().isPresent();
        boolean told = kept || one.kind() == ProgramKind.TRIGGER
                && CatalogWording.of(one.target()).triggersOnlyCall();
        return told && !first.apart(second)
                && !(kept ? spokenApart(first.head(), second.head(), one.target())
                        : spokenApart(one.text(), other.text(), one.target()));
    }

    /** Whether a view could be told from another one only by what both speak of. */
    static boolean vague(Program wanted, Program live) {
        return wanted.kind() == ProgramKind.VIEW && !CatalogWording.of(wanted.target()).keepsViews()
                && sameView(wanted, live).isEmpty();
    }

    private static Optional<Boolean> sameView(Program wanted, Program live) {
        if (wanted.kind() != ProgramKind.VIEW || CatalogWording.of(wanted.target()).keepsViews()) {
            return Optional.empty();
        }
        Dialect dialect = Dialect.of(wanted.target());
        return CanonicalQuery.sameView(EngineWordingRules.neutral(wanted.text(), dialect),
                EngineWordingRules.neutral(live.text(), dialect));
    }

    private static boolean spokenApart(String wanted, String live, Target engine) {
        CanonicalProgram one = new CanonicalProgram(wanted, engine);
        CanonicalProgram other = new CanonicalProgram(live, engine);
        if (one.all || other.all || quotedBody(wanted)) {
            return false;
        }
        return !one.names(other).equals(other.names(one))
                || !one.moments && !other.moments && !one.constants.equals(other.constants);
    }

    /** A body that stands in simple quotes is one constant here. */
    private static boolean quotedBody(String text) {
        SqlText sql = SqlText.of(text);
        int as = sql.find(0, "as");
        while (as >= 0 && !sql.isString(as + 1)) {
            as = sql.find(as + 1, "as");
        }
        return as >= 0;
    }

    /** The names, without those that engines give to the value of a function. */
    private Set<String> names(CanonicalProgram other) {
        Set<String> left = new HashSet<>(names);
        left.removeAll(called);
        left.removeAll(other.called);
        return left;
    }

    private boolean is(int place, String text) {
        return place >= 0 && place < tokens.size() && tokens.get(place).is(text);
    }

    private String lower(int place) {
        return place < 0 || place >= tokens.size() ? "" : tokens.get(place).text().toLowerCase(Locale.ROOT);
    }

    private void read() {
        boolean ordering = false;
        for (int i = 0; i < tokens.size(); i++) {
            Token token = tokens.get(i);
            String lower = lower(i);
            ordering =
                    lower.equals("by") || ordering && (token.is(",") || token.isName() || token.kind() == Kind.NUMBER);
            moments |= MOMENTS.contains(lower);
            all |= token.is("*") && (lower(i - 1).matches("select|distinct|all|,|\\.") || is(i + 1, "from"));
            if (is(i, ":") && is(i + 1, ":")) {
                i = cast(i + 2);
            } else if (lower.equals("on") && lower(i + 1).equals("1") && is(i + 2, "=") && lower(i + 3).equals("1")) {
                i += 3;   // H2 moves the condition of a join behind WHERE
            } else if (lower.equals("enum") && is(i + 1, "(")) {
                i = closed(i);
            } else if (token.kind() == Kind.STRING) {
                constants.add(token.string().replaceFirst("^-", ""));
            } else if (token.kind() == Kind.NUMBER && !ordering && !(is(i - 1, "(") && SIZED.contains(lower(i - 2)))
                    && !(is(i - 1, ",") && is(i - 3, "(") && SIZED.contains(lower(i - 4)))) {
                constants.add(lower);
            } else if (token.isName()) {
                name(i, token);
            }
        }
    }

    private void name(int i, Token token) {
        String name = token.name().toLowerCase(Locale.ROOT);
        boolean tag = is(i - 1, "$") || is(i + 1, "$");
        if (is(i + 1, "(")) {
            called.add(name);
        } else if (!tag && !is(i + 1, ".") && !words.contains(name) && !name.startsWith("_utf8")
                && !name.equals("?column?")) {
            names.add(name);
        }
    }

    /** Where the next bracket is closed. */
    private int closed(int from) {
        int i = from;
        while (i < tokens.size() && !is(i, ")")) {
            i++;
        }
        return i;
    }

    /** Passes the type of a cast; gives its last token. */
    private int cast(int from) {
        int i = from;
        while (words.contains(lower(i + 1)) && SIZED.contains(lower(i + 1))
                || MOMENTS.contains(lower(i)) && lower(i + 1).matches("with|without|time|zone")) {
            i++;
        }
        i = is(i + 1, "(") ? closed(i) : i;
        return is(i + 1, "[") && is(i + 2, "]") ? i + 2 : i;
    }
}
