package entaxis.core.syntax;

import entaxis.core.schema.Grant;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.SecuredObject;
import entaxis.core.sql.Dialect;
import entaxis.core.statement.ChangeOwner;
import entaxis.core.statement.ChangePrivileges;
import entaxis.core.statement.ProgramName;
import entaxis.core.statement.SecuredObjects;
import entaxis.core.statement.Statement;
import entaxis.core.token.Keyword;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/**
 * Reads GRANT and REVOKE of tables, views, sequences, types and routines (ISO/IEC 9075-2, 12.2 and 12.7; PostgreSQL
 * manual, GRANT). Those of columns, roles and other objects are stepped over.
 */
final class PrivilegeParser {
    private static final String KIND = "permission";
    /** What a statement names that has no privileges here. */
    private static final Set<String> OTHERS = Set.of("SCHEMA", "DATABASE", "LANGUAGE", "FOREIGN", "LARGE", "TABLESPACE",
            "PARAMETER");

    private final StatementCursor tokens;
    private final Dialect dialect;
    private final NameParser names;
    private final ProgramParser programs;
    private final StatementEnd statementEnd;

    PrivilegeParser(StatementCursor tokens, ScriptSyntax syntax, NameParser names, ProgramParser programs,
            StatementEnd statementEnd) {
        this.tokens = tokens;
        this.dialect = Dialect.of(syntax.engine());
        this.names = names;
        this.programs = programs;
        this.statementEnd = statementEnd;
    }

    /** Reads the statement that begins at a token. */
    Statement permission(int from) {
        Optional<ChangePrivileges> read =
                dialect.usualGrants(SecuredObject.TABLE).isEmpty() ? Optional.empty() : change(from);
        return read.<Statement>map(statement -> {
            statementEnd.pass(from);
            return statement;
        }).orElseGet(() -> statementEnd.skip(from, KIND));
    }

    private Optional<ChangePrivileges> change(int from) {
        boolean revoked = tokens.is(Keyword.REVOKE);
        tokens.goTo(from + 1);
        boolean onlyOption = revoked && tokens.is(Keyword.GRANT);
        tokens.advance(onlyOption ? 3 : 0);
        List<String> privileges = new ArrayList<>();
        while (!tokens.atEnd() && !tokens.is(Keyword.ON)) {
            if (tokens.sign('(')) {
                return Optional.empty();
            }
            String word = tokens.capitals(tokens.at());
            if (!tokens.sign(',') && !word.equals("PRIVILEGES")) {
                privileges.add(word);
            }
            tokens.advance();
        }
        tokens.advance();
        Optional<SecuredObjects> objects = tokens.atEnd() ? Optional.empty() : objects();
        if (objects.isEmpty() || !(tokens.accept(Keyword.TO) || tokens.accept(Keyword.FROM))) {
            return Optional.empty();
        }
        List<String> grantees = grantees();
        boolean option = revoked ? onlyOption : tokens.is(Keyword.WITH, Keyword.GRANT);
        return Optional.of(new ChangePrivileges(revoked, privileges, objects.get(), grantees, option));
    }

    private List<String> grantees() {
        List<String> grantees = new ArrayList<>(1);
        do {
            tokens.accept("GROUP");
            boolean everybody = tokens.is(Grant.PUBLIC);
            String name = tokens.name();
            grantees.add(everybody ? Grant.PUBLIC : name);
        } while (tokens.acceptSign(','));
        return grantees;
    }

    /**
     * Reads ALTER of something that is no table where it ends with OWNER TO (PostgreSQL manual); nothing where it does
     * not.
     *
     * @param kind what the statement counts as
     */
    Optional<Statement> owner(int from, String kind) {
        int limit = tokens.limit();
        boolean told = limit - from > 4 && tokens.word(limit - 3) == Keyword.OWNER
                && tokens.word(limit - 2) == Keyword.TO && tokens.isName(limit - 1);
        if (!told) {
            return Optional.empty();
        }
        tokens.goTo(from + 1);
        Optional<SecuredObjects> objects = objects();
        tokens.goTo(from + 1);
        return objects.map(named -> {
            String role = tokens.nameAt(limit - 1);
            statementEnd.pass(from);
            return new ChangeOwner(named, role, kind);
        });
    }

    /** The objects that are named where the cursor stands; goes behind them. */
    private Optional<SecuredObjects> objects() {
        String word = tokens.capitals(tokens.at());
        boolean named = tokens.isName(tokens.at() + 1);
        if (named && OTHERS.contains(word)) {
            return Optional.empty();
        }
        if (word.equals("ALL") && named) {
            return allInSchemas();
        }
        Predicate<String> says = wanted -> named && word.equals(wanted);
        boolean ofRoutine = says.test("PROCEDURE") || says.test("FUNCTION") || says.test("ROUTINE");
        boolean ofType = says.test("TYPE") || says.test("DOMAIN");
        boolean ofSequence = says.test("SEQUENCE");
        boolean materialized = says.test("MATERIALIZED");
        if (ofRoutine || ofType || ofSequence || materialized || says.test("TABLE") || says.test("VIEW")) {
            tokens.advance(materialized ? 2 : 1);
        }
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        tokens.accept(Keyword.ONLY);
        if (!tokens.isName(tokens.at())) {
            return Optional.empty();
        }
        if (ofRoutine) {
            ProgramKind kind = says.test("PROCEDURE") ? ProgramKind.PROCEDURE : ProgramKind.FUNCTION;
            List<ProgramName> routines = new ArrayList<>(1);
            do {
                routines.add(programs.named(kind));
            } while (tokens.acceptSign(','));
            return Optional.of(new SecuredObjects.Routines(kind, routines));
        }
        return Optional.of(new SecuredObjects.Named(ofType ? SecuredObject.TYPE
                : ofSequence ? SecuredObject.SEQUENCE : SecuredObject.TABLE, names.list()));
    }

    /** ALL TABLES IN SCHEMA and the like. */
    private Optional<SecuredObjects> allInSchemas() {
        tokens.advance();
        SecuredObject kind = switch (tokens.capitals(tokens.at())) {
            case "TABLES" -> SecuredObject.TABLE;
            case "SEQUENCES" -> SecuredObject.SEQUENCE;
            case "FUNCTIONS", "PROCEDURES", "ROUTINES" -> SecuredObject.ROUTINE;
            default -> SecuredObject.NONE;
        };
        tokens.advance();
        if (!tokens.accept(Keyword.IN, Keyword.SCHEMA)) {
            return Optional.empty();
        }
        List<String> schemas = new ArrayList<>(1);
        do {
            schemas.add(tokens.name());
        } while (tokens.acceptSign(','));
        return Optional.of(new SecuredObjects.AllIn(kind, schemas));
    }
}
