package entaxis.core.engine.sqlserver;

import entaxis.core.syntax.ScriptSyntax;
import entaxis.core.syntax.SyntaxRule;
import entaxis.core.targets.Target;
import entaxis.core.token.LexicalRules;
import entaxis.core.token.LexicalRule;
import java.util.Collections;
import java.util.EnumSet;
import java.util.Set;

/** Scripts of SQL Server (Transact-SQL reference; sqlcmd). */
public final class SqlServerSyntax extends ScriptSyntax {
    private static final LexicalRules LEXICAL = LexicalRules.of("$#@", LexicalRule.BRACKETED_NAMES,
            LexicalRule.NESTED_COMMENTS);
    private static final Set<SyntaxRule> RULES = Collections.unmodifiableSet(EnumSet.of(SyntaxRule.RUN_ON_STATEMENTS,
            SyntaxRule.ALTER_LISTS, SyntaxRule.COLUMN_PROPERTIES, SyntaxRule.ALTERED_COLUMN_SAYS_NULL,
            SyntaxRule.SYSTEM_PERIODS, SyntaxRule.DEFAULT_CONSTRAINTS, SyntaxRule.NAMED_DEFAULTS,
            SyntaxRule.STORAGE_PLACES, SyntaxRule.INLINE_INDEXES, SyntaxRule.COMMA_LEFT_OUT,
            SyntaxRule.TRAILING_COMMA, SyntaxRule.CONTROL_OF_FLOW, SyntaxRule.INDEX_QUALIFIED_BY_TABLE,
            SyntaxRule.OPTIONS_BEHIND_DROPPED_INDEX, SyntaxRule.SYSTEM_PROCEDURES, SyntaxRule.ALTER_REDEFINES_PROGRAM,
            SyntaxRule.SELECT_INTO, SyntaxRule.BODY_TO_BATCH_END, SyntaxRule.QUOTED_TYPES, SyntaxRule.HASH_KEYS));

    @Override
    public Target engine() {
        return Target.SQLSERVER;
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
        return "dbo";
    }

    @Override
    public String separatorSigns() {
        return "Gg";
    }

    /** SQL Server documentation, “GO”, with a count or a comment behind it. */
    @Override
    public boolean separates(String script, int at) {
        if ((script.charAt(at) & ~0x20) != 'G' || at + 1 >= script.length() || (script.charAt(at + 1) & ~0x20) != 'O'
                || !atLineStart(script, at)) {
            return false;
        }
        int after = at + 2;
        if (after < script.length() && isPartOfWord(script.charAt(after))) {
            return false;
        }
        while (after < script.length() && (script.charAt(after) == ' ' || script.charAt(after) == '\t'
                || script.charAt(after) >= '0' && script.charAt(after) <= '9' || script.charAt(after) == ';')) {
            after++;
        }
        return after >= script.length() || script.charAt(after) == '\r' || script.charAt(after) == '\n'
                || script.charAt(after) == '-';
    }

    private static boolean isPartOfWord(char sign) {
        return Character.isLetterOrDigit(sign) || Character.isSurrogate(sign) || "_$#@".indexOf(sign) >= 0;
    }

    /** SQL Server documentation, sqlcmd: commands begin with a colon. */
    @Override
    public boolean isClientLine(String script, int at) {
        return script.charAt(at) == ':' || separates(script, at);
    }
}
