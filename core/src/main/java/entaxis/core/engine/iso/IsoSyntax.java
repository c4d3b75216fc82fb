package entaxis.core.engine.iso;

import entaxis.core.syntax.ScriptSyntax;
import entaxis.core.syntax.SyntaxRule;
import entaxis.core.targets.Target;
import java.util.Collections;
import java.util.EnumSet;
import java.util.Set;

/** Scripts that keep to ISO/IEC 9075-2. */
public final class IsoSyntax extends ScriptSyntax {
    private static final Set<SyntaxRule> RULES = Collections.unmodifiableSet(EnumSet.of(SyntaxRule.KNOWN_OPTIONS_ONLY));

    @Override
    public Target engine() {
        return Target.ISO;
    }

    @Override
    public Set<SyntaxRule> rules() {
        return RULES;
    }
}
