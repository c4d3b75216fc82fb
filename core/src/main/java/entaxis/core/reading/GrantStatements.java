package entaxis.core.reading;

import entaxis.core.design.ProgramKind;
import entaxis.core.reading.GrantBook.Holder;
import entaxis.core.reading.SchemaBuilder.QName;
import entaxis.core.schema.Grant;
import entaxis.core.schema.Privileges;
import entaxis.core.schema.SecuredObject;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/**
 * Reads GRANT and REVOKE of tables, views, sequences, types and routines (ISO/IEC 9075-2, 12.2 and 12.7; PostgreSQL
 * manual, GRANT). Those of columns, roles and other objects are stepped over.
 */
final class GrantStatements {
    /** What a statement names that has no privileges here. */
    private static final Set<String> OTHERS = Set.of("SCHEMA", "DATABASE", "LANGUAGE", "FOREIGN", "LARGE", "TABLESPACE",
            "PARAMETER");
    /** Roles that stand for whoever runs the script, who owns what it makes. */
    private static final Set<String> SELF = Set.of("current_user", "session_user", "current_role");

    private final TokenCursor tokens;
    private final SchemaBuilder builder;
    private final DefinitionParsers definitions;
    private final ProgramStatements programs;
    private final StepOver pass;

    GrantStatements(TokenCursor tokens, SchemaBuilder builder, DefinitionParsers definitions,
            ProgramStatements programs, StepOver pass) {
        this.tokens = tokens;
        this.builder = builder;
        this.definitions = definitions;
        this.programs = programs;
        this.pass = pass;
    }

    /** Reads the statement that begins at a token. */
    void permission(int from) {
        if (builder.dialect.usualGrants(SecuredObject.TABLE).isEmpty() || !read(from)) {
            pass.over(from, "permission");
        }
    }

    /**
     * Takes note of the owner that an ALTER gives to an object (PostgreSQL manual, ALTER TABLE: OWNER TO), who may do
     * everything without being told; the statement is read by others.
     */
    void owner(int from) {
        int limit = tokens.limit;
        boolean told = limit - from > 4 && tokens.word(limit - 3) == Keyword.OWNER
                && tokens.word(limit - 2) == Keyword.TO && tokens.isName(limit - 1);
        if (!told) {
            return;
        }
        String role = tokens.nameAt(limit - 1);
        tokens.at = from + 1;
        holders().forEach(holder -> builder.grants.own(holder, role));
        tokens.at = from;
    }

    /** ALTER DEFAULT PRIVILEGES: from here on it is not known who may use what is made. */
    void defaults(int from) {
        builder.grants.changeDefaults();
        pass.over(from, "permission");
    }

    private boolean read(int from) {
        boolean revoked = tokens.is(Keyword.REVOKE);
        tokens.at = from + 1;
        boolean onlyOption = revoked && tokens.is(Keyword.GRANT);
        tokens.at += onlyOption ? 3 : 0;
        List<String> privileges = new ArrayList<>();
        while (!tokens.atEnd() && !tokens.is(Keyword.ON)) {
            if (tokens.sign('(')) {
                return false;
            }
            String word = tokens.text(tokens.at, tokens.at + 1).toUpperCase(Locale.ROOT);
            if (!word.equals(",") && !word.equals("PRIVILEGES")) {
                privileges.add(word);
            }
            tokens.at++;
        }
        tokens.at++;
        List<Holder> holders = tokens.atEnd() ? List.of() : holders();
        if (holders.isEmpty() || !(tokens.accept(Keyword.TO) || tokens.accept(Keyword.FROM))) {
            return false;
        }
        List<String> grantees = grantees();
        boolean option = !revoked && tokens.is(Keyword.WITH) && tokens.word(tokens.at + 1) == Keyword.GRANT;
        tokens.at = tokens.limit;
        boolean all = true;
        for (Holder holder : holders) {
            List<String> known = builder.dialect.privileges(holder.kind());
            all &= known.containsAll(privileges.stream().filter(word -> !word.equals(Grant.ALL)).toList());
            Optional<List<Grant>> before = builder.grants.of(holder);
            if (before.isEmpty()) {
                all = false;
                continue;
            }
            Privileges now = new Privileges(known, before.get());
            for (String grantee : grantees) {
                for (String privilege : privileges) {
                    boolean counts = (privilege.equals(Grant.ALL) || known.contains(privilege))
                            && !builder.grants.isOwner(holder, grantee) && !SELF.contains(grantee);
                    now = !counts ? now : revoked ? now.without(privilege, grantee, onlyOption)
                            : now.with(new Grant(privilege, grantee, option));
                }
            }
            builder.grants.put(holder, now.grants());
        }
        return all;
    }

    private List<String> grantees() {
        List<String> grantees = new ArrayList<>();
        do {
            tokens.acceptReading("GROUP");
            boolean everybody = tokens.reads(tokens.at, Grant.PUBLIC);
            String name = tokens.name();
            grantees.add(everybody ? Grant.PUBLIC : name);
        } while (tokens.acceptSign(','));
        return grantees;
    }

    /** The objects that are named where the cursor stands; goes behind them. */
    private List<Holder> holders() {
        String word = tokens.kind(tokens.at) == TokenizedStatement.WORD
                ? tokens.text(tokens.at, tokens.at + 1).toUpperCase(Locale.ROOT) : "";
        boolean named = tokens.isName(tokens.at + 1);
        if (named && OTHERS.contains(word)) {
            return List.of();
        }
        if (word.equals("ALL") && named) {
            return all();
        }
        Predicate<String> says = wanted -> named && word.equals(wanted);
        ProgramKind routine = says.test("PROCEDURE") ? ProgramKind.PROCEDURE : ProgramKind.FUNCTION;
        boolean ofRoutine = says.test("PROCEDURE") || says.test("FUNCTION") || says.test("ROUTINE");
        boolean ofType = says.test("TYPE") || says.test("DOMAIN");
        boolean ofSequence = says.test("SEQUENCE");
        boolean materialized = says.test("MATERIALIZED");
        if (ofRoutine || ofType || ofSequence || materialized || says.test("TABLE") || says.test("VIEW")) {
            tokens.at += materialized ? 2 : 1;
        }
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        tokens.accept(Keyword.ONLY);
        List<Holder> holders = new ArrayList<>();
        do {
            if (!tokens.isName(tokens.at)) {
                return List.of();
            }
            if (ofRoutine) {
                programs.named(routine).forEach(key -> holders.add(new Holder(SecuredObject.ROUTINE, key)));
            } else {
                QName name = definitions.names().qualified();
                String key = builder.key(name);
                SecuredObject kind = ofType ? SecuredObject.TYPE
                        : ofSequence || builder.grants.isSequence(key) ? SecuredObject.SEQUENCE : SecuredObject.TABLE;
                if (builder.grants.holds(new Holder(kind, key))) {
                    holders.add(new Holder(kind, key));
                }
            }
        } while (tokens.acceptSign(','));
        return holders;
    }

    /** ALL TABLES IN SCHEMA and the like: what there is so far. */
    private List<Holder> all() {
        tokens.at++;
        String kinds = tokens.text(tokens.at, tokens.at + 1).toUpperCase(Locale.ROOT);
        tokens.at++;
        if (!tokens.accept(Keyword.IN, Keyword.SCHEMA)) {
            return List.of();
        }
        List<Holder> holders = new ArrayList<>();
        do {
            String schema = tokens.name();
            holders.addAll(switch (kinds) {
                case "TABLES" -> builder.grants.all(SecuredObject.TABLE, schema);
                case "SEQUENCES" -> builder.grants.all(SecuredObject.SEQUENCE, schema);
                case "FUNCTIONS", "PROCEDURES", "ROUTINES" -> builder.grants.all(SecuredObject.ROUTINE, schema);
                default -> List.<Holder>of();
            });
        } while (tokens.acceptSign(','));
        return holders;
    }
}
