package entaxis.core.engine.sqlite;

import entaxis.core.syntax.ScriptSyntax;
import entaxis.core.syntax.SyntaxRule;
import entaxis.core.targets.Target;
import entaxis.core.token.LexicalRules;
import entaxis.core.token.LexicalRule;
import java.util.Collections;
import java.util.EnumSet;
import java.util.Set;

/** Scripts of SQLite and dumps of it (SQLite documentation, “SQL As Understood By SQLite”; sqlite3). */
public final class SqliteSyntax extends ScriptSyntax {
    private static final LexicalRules LEXICAL = LexicalRules.of("$", LexicalRule.BACKTICKED_NAMES,
            LexicalRule.BRACKETED_NAMES, LexicalRule.TEXTS_AS_NAMES);
    private static final Set<SyntaxRule> RULES = Collections.unmodifiableSet(EnumSet.of(SyntaxRule.QUOTED_DEFAULTS,
            SyntaxRule.KEYS_TAKE_NULL,
            SyntaxRule.TYPES_OF_ANY_WORDS, SyntaxRule.CONSTRAINTS_WITHOUT_COMMA, SyntaxRule.KNOWN_OPTIONS_ONLY));

    @Override
    public Target engine() {
        return Target.SQLITE;
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

    /** SQLite documentation, “Command Line Shell For SQLite”: dot-commands. */
    @Override
    public boolean isClientLine(String script, int at) {
        return script.charAt(at) == '.';
    }
}
