package entaxis.core.engine.h2;

import entaxis.core.syntax.ScriptSyntax;
import entaxis.core.syntax.SyntaxRule;
import entaxis.core.targets.Target;
import entaxis.core.token.LexicalRules;
import entaxis.core.token.LexicalRule;
import java.util.Collections;
import java.util.EnumSet;
import java.util.Set;

/** Scripts of H2 and what its SCRIPT command writes (H2 manual, Commands and Grammar). */
public final class H2Syntax extends ScriptSyntax {
    private static final LexicalRules LEXICAL = LexicalRules.of("", LexicalRule.BACKTICKED_NAMES,
            LexicalRule.NESTED_COMMENTS, LexicalRule.DOLLAR_TEXTS);
    private static final Set<SyntaxRule> RULES = Collections.unmodifiableSet(EnumSet.of(SyntaxRule.SERIAL_TYPES,
            SyntaxRule.LIKE_AMONG_ELEMENTS, SyntaxRule.IDENTITY_TYPE, SyntaxRule.HASH_KEYS,
            SyntaxRule.DROP_TAKES_VIEWS));

    @Override
    public Target engine() {
        return Target.H2;
    }

    @Override
    public LexicalRules lexicalRules() {
        return LEXICAL;
    }

    @Override
    public Set<SyntaxRule> rules() {
        return RULES;
    }

    @Override
    public String defaultSchema() {
        return "public";
    }
}
