package entaxis.core.engine.oracle;

import entaxis.core.syntax.ScriptSyntax;
import entaxis.core.syntax.SyntaxRule;
import entaxis.core.targets.Target;
import entaxis.core.token.LexicalRules;
import entaxis.core.token.LexicalRule;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** Scripts of Oracle Database (SQL Language Reference; PL/SQL Language Reference; SQL*Plus User's Guide). */
public final class OracleSyntax extends ScriptSyntax {
    private static final LexicalRules LEXICAL = LexicalRules.of("$#", LexicalRule.CHOSEN_QUOTES);
    private static final Set<SyntaxRule> RULES = Collections.unmodifiableSet(EnumSet.of(
            SyntaxRule.ACTIONS_WITHOUT_COMMA, SyntaxRule.UNUSED_COLUMNS, SyntaxRule.STORAGE_WORDS,
            SyntaxRule.NAMED_INDEX_BEHIND_USING, SyntaxRule.BARE_NUMBERING, SyntaxRule.MODIFY_KEEPS_THE_REST,
            SyntaxRule.BLOCKS, SyntaxRule.CREATE_MODIFIERS, SyntaxRule.GLOBAL_TEMPORARY_STAYS,
            SyntaxRule.INDEX_BEHIND_DROPPED_CONSTRAINT, SyntaxRule.NAMED_DEFAULTS));
    private static final List<String> CLIENT_COMMANDS = List.of("rem ", "rem\n", "rem\r", "remark", "prompt", "spool",
            "whenever ", "exit", "quit", "define ", "undefine ", "accept ", "column ", "connect ", "conn ", "show ",
            "host ", "variable ", "clear ", "start ", "disconnect");

    @Override
    public Target engine() {
        return Target.ORACLE;
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
    public boolean isMarked(String script, int from, int to, boolean escapes) {
        return script.charAt(from) == 'q' || script.charAt(from) == 'Q';
    }

    /** SQL*Plus User's Guide, “/”, alone on its line. */
    @Override
    public boolean separates(String script, int at) {
        return script.charAt(at) == '/' && atLineStart(script, at) && restOfLineIsBlank(script, at + 1);
    }

    @Override
    public boolean isClientLine(String script, int at) {
        char first = script.charAt(at);
        boolean set = begins(script, at, "set ") && !begins(script, at, "set constraint")
                && !begins(script, at, "set role") && !begins(script, at, "set transaction");
        return first == '@' || first == '/' && restOfLineIsBlank(script, at + 1) || set
                || CLIENT_COMMANDS.stream().anyMatch(command -> begins(script, at, command));
    }
}
