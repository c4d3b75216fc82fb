package entaxis.core.engine.duckdb;

import entaxis.core.syntax.ScriptSyntax;
import entaxis.core.syntax.SyntaxRule;
import entaxis.core.targets.Target;
import entaxis.core.token.LexicalRules;
import entaxis.core.token.LexicalRule;
import java.util.Collections;
import java.util.EnumSet;
import java.util.Set;

/** Scripts of DuckDB and what EXPORT DATABASE writes (DuckDB documentation, “SQL Introduction”; its shell). */
public final class DuckDbSyntax extends ScriptSyntax {
    private static final LexicalRules LEXICAL = LexicalRules.of("", LexicalRule.NESTED_COMMENTS,
            LexicalRule.DOLLAR_TEXTS, LexicalRule.ESCAPE_TEXTS);
    private static final Set<SyntaxRule> RULES = Collections.unmodifiableSet(EnumSet.of(SyntaxRule.TRAILING_COMMA,
            SyntaxRule.COPIES_WITHOUT_RULES));

    @Override
    public Target engine() {
        return Target.DUCKDB;
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
        return "main";
    }

    /** DuckDB documentation, “Command Line Client”, dot commands. */
    @Override
    public boolean isClientLine(String script, int at) {
        return script.charAt(at) == '.';
    }
}
