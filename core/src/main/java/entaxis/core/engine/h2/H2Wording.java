package entaxis.core.engine.h2;

import entaxis.core.expression.Expression;
import entaxis.core.reconcile.CatalogWording;
import entaxis.core.targets.Target;
import java.util.Map;
import java.util.regex.Pattern;

/** H2 manual, “Information Schema”. */
public final class H2Wording extends CatalogWording {
    private static final Pattern MADE_UP = Pattern.compile(
            "CONSTRAINT_(INDEX_)?[0-9A-F]+(_[0-9A-F]+)*|PRIMARY_KEY_[0-9A-F_]+", Pattern.CASE_INSENSITIVE);
    private static final Map<String, String> CALLS = Map.of("length", "char_length");

    @Override
    public boolean isMadeUp(String name) {
        return MADE_UP.matcher(name).matches();
    }

    /** H2 manual, LENGTH: it counts characters, and is kept as CHAR_LENGTH. */
    @Override
    public String neutral(String condition) {
        return Expression.of(condition).callingOtherwise(CALLS).text();
    }

    /** Routines and triggers are Java that would run inside the engine, which may be this very process. */
    @Override
    public boolean readsRoutines() {
        return false;
    }
    @Override
    public Target engine() {
        return Target.H2;
    }

    @Override
    public boolean tellsProgramComments() {
        return true;
    }

    @Override
    public String notRead() {
        return "privileges, constants, and routines and triggers, which are Java";
    }
}
