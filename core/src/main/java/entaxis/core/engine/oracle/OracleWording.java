package entaxis.core.engine.oracle;

import entaxis.core.reconcile.CatalogWording;
import entaxis.core.reconcile.ProgramParts;
import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.targets.Target;
import entaxis.core.token.SqlText;
import entaxis.core.token.Token;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/** Oracle Database Reference, ALL_VIEWS, ALL_SOURCE, ALL_SEQUENCES. */
public final class OracleWording extends CatalogWording {
    private static final Pattern MADE_UP = Pattern.compile("SYS_C[0-9]+", Pattern.CASE_INSENSITIVE);
    private static final Set<String> KINDS = Set.of("function", "procedure", "trigger", "package");

    @Override
    public boolean isMadeUp(String name) {
        return MADE_UP.matcher(name).matches();
    }

    @Override
    public boolean tellsSequenceStart() {
        return false;
    }

    /** Oracle Database Reference, ALL_VIEWS: TEXT. */
    @Override
    public boolean keepsViews() {
        return true;
    }

    @Override
    public ProgramParts parts(Program program) {
        SqlText text = SqlText.of(program.text());
        int kept = program.kind() == ProgramKind.VIEW ? text.find(0, "as") + 1 : behindName(text);
        return new ProgramParts("", Set.of(), kept == 0 ? Optional.empty()
                : Optional.of(ProgramParts.withoutBlanks(text.from(kept))));
    }

    /** Behind the name of a routine, trigger or package, which may have number signs in it; 0 where none is found. */
    private static int behindName(SqlText text) {
        int kind = 0;
        while (kind < text.size() && !KINDS.contains(text.at(kind).text().toLowerCase(Locale.ROOT))) {
            kind++;
        }
        int at = kind + (text.is(kind, "package", "body") ? 2 : 1);
        if (!text.at(at).isName()) {
            return 0;
        }
        boolean more = true;
        while (more) {
            at++;
            boolean joined = text.at(at).start() == text.at(at - 1).end();
            boolean word = text.at(at).isName() || text.at(at).kind() == Token.Kind.NUMBER;
            more = text.is(at, ".") || text.is(at - 1, ".")
                    || joined && (text.is(at, "#") || text.is(at - 1, "#") && word);
        }
        return at;
    }

    @Override
    public Target engine() {
        return Target.ORACLE;
    }

    @Override
    public String notRead() {
        return "privileges, synonyms, comments of views, storage, partitions";
    }
}
