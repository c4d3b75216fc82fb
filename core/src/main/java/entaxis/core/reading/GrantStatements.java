package entaxis.core.reading;

import entaxis.core.design.ProgramKind;
import entaxis.core.schema.Grant;
import entaxis.core.schema.Privileges;
import entaxis.core.schema.Program;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * Reads GRANT and REVOKE of views and routines (ISO/IEC 9075-2, 12.2 and 12.7; PostgreSQL manual, GRANT). Those of
 * tables and roles are stepped over.
 */
final class GrantStatements {
    private final TokenCursor tokens;
    private final SchemaBuilder builder;
    private final ProgramStatements programs;
    private final StepOver pass;

    GrantStatements(TokenCursor tokens, SchemaBuilder builder, ProgramStatements programs, StepOver pass) {
        this.tokens = tokens;
        this.builder = builder;
        this.programs = programs;
        this.pass = pass;
    }

    /** Reads the statement that begins at a token. */
    void permission(int from) {
        if (builder.dialect.usualGrants(ProgramKind.VIEW).isEmpty() || !read(from)) {
            pass.over(from, "permission");
        }
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
        boolean routine = tokens.is(Keyword.FUNCTION) || tokens.is(Keyword.PROCEDURE);
        ProgramKind kind = ProgramStatements.kind(tokens.word());
        if (routine || tokens.is(Keyword.TABLE)) {
            tokens.at++;
        }
        if (!tokens.isName(tokens.at)) {
            return false;
        }
        List<String> keys = new ArrayList<>();
        do {
            keys.addAll(programs.named(kind));
        } while (tokens.acceptSign(','));
        if (keys.isEmpty() || !(tokens.accept(Keyword.TO) || tokens.accept(Keyword.FROM))) {
            return false;
        }
        List<String> grantees = grantees();
        boolean option = !revoked && tokens.is(Keyword.WITH) && tokens.word(tokens.at + 1) == Keyword.GRANT;
        tokens.at = tokens.limit;
        for (String key : keys) {
            Program program = builder.programs.get(key);
            Privileges now = new Privileges(builder.dialect.privileges(kind), program.grants().orElse(List.of()));
            for (String grantee : grantees) {
                for (String privilege : privileges) {
                    now = revoked ? now.without(privilege, grantee, onlyOption)
                            : now.with(new Grant(privilege, grantee, option));
                }
            }
            builder.grant(key, now.grants());
        }
        return true;
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
}
