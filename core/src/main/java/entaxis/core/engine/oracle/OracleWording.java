package entaxis.core.engine.oracle;

import entaxis.core.design.ProgramKind;
import entaxis.core.design.Target;
import entaxis.core.reconcile.CatalogWording;
import entaxis.core.reconcile.ProgramParts;
import entaxis.core.schema.Program;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Oracle Database Reference, ALL_VIEWS, ALL_SOURCE, ALL_SEQUENCES. */
public final class OracleWording extends CatalogWording {
    private static final Pattern MADE_UP = Pattern.compile("SYS_C[0-9]+", Pattern.CASE_INSENSITIVE);
    private static final Pattern QUERY = Pattern.compile("(?is)\\bas\\s(.*)");
    private static final Pattern BEHIND_NAME = Pattern.compile(
            "(?is)\\b(?:function|procedure|trigger|package(?:\\s+body)?)\\s+"
                    + "(?:[\\w$#]+\\s*\\.\\s*|\"[^\"]+\"\\s*\\.\\s*)?(?:[\\w$#]+|\"[^\"]+\")(.*)");

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
        Pattern kept = program.kind() == ProgramKind.VIEW ? QUERY : BEHIND_NAME;
        Matcher found = kept.matcher(program.text());
        return new ProgramParts("", Set.of(),
                found.find() ? Optional.of(ProgramParts.withoutBlanks(found.group(1))) : Optional.empty());
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
