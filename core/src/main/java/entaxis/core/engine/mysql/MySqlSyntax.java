package entaxis.core.engine.mysql;

import entaxis.core.sql.TextLiterals;
import entaxis.core.syntax.ImpliedName.Named;
import entaxis.core.syntax.ImpliedName;
import entaxis.core.syntax.ScriptSyntax;
import entaxis.core.syntax.SyntaxRule;
import entaxis.core.targets.Target;
import entaxis.core.token.LexicalRules;
import entaxis.core.token.LexicalRule;
import java.util.Collections;
import java.util.EnumSet;
import java.util.Set;

/** Scripts of MySQL and dumps of it (MySQL manual, “SQL Statements”; mysql; mysqldump). */
public class MySqlSyntax extends ScriptSyntax {
    private static final LexicalRules LEXICAL = LexicalRules.of("$@", LexicalRule.BACKSLASH_ESCAPES,
            LexicalRule.BACKTICKED_NAMES, LexicalRule.DIGITS_BEGIN_NAMES, LexicalRule.DOUBLE_QUOTED_TEXTS,
            LexicalRule.TEXT_INTRODUCERS, LexicalRule.HASH_COMMENTS, LexicalRule.STRICT_DASHES,
            LexicalRule.VERSION_COMMENTS, LexicalRule.DELIMITER_COMMAND);
    private static final Set<SyntaxRule> RULES = Collections.unmodifiableSet(EnumSet.of(SyntaxRule.INLINE_KEYS,
            SyntaxRule.SWITCHES_PARTS, SyntaxRule.ACTIONS_PASSED_SINGLY, SyntaxRule.INDEXES_ALTERED_WITH_TABLE,
            SyntaxRule.INDEX_COMMENTS, SyntaxRule.METHODS_BEHIND_KEYS, SyntaxRule.UNIQUE_SERIAL,
            SyntaxRule.BINARY_CHARACTER_SET, SyntaxRule.SCHEMA_IS_DATABASE, SyntaxRule.INDEXES_WITHIN_TABLE,
            SyntaxRule.OPTIONS_BEHIND_DROPPED_INDEX, SyntaxRule.DROPPED_COLUMN_LEAVES_INDEX, SyntaxRule.SQL_MODES,
            SyntaxRule.STORAGE_WORDS, SyntaxRule.REFERENCE_NAMED_APART));

    @Override
    public Target engine() {
        return Target.MYSQL;
    }

    @Override
    public LexicalRules lexicalRules() {
        return LEXICAL;
    }

    @Override
    public Set<SyntaxRule> rules() {
        return RULES;
    }

    /** MySQL manual, CREATE TABLE, “FOREIGN KEY Constraints” and “CHECK Constraints”. */
    @Override
    public ImpliedName impliedName(Named what) {
        return switch (what) {
            case PRIMARY_KEY -> new ImpliedName.Fixed("PRIMARY");
            case UNIQUE_KEY, INDEX -> new ImpliedName.FirstColumn();
            case FOREIGN_KEY -> new ImpliedName.Counted(true, "_ibfk_");
            case CHECK -> new ImpliedName.Counted(true, "_chk_");
            case EXCLUSION, SEQUENCE, DOMAIN_CHECK -> new ImpliedName.None();
        };
    }

    /** MySQL manual, “String Literals”. */
    @Override
    public String unescaped(String inside) {
        StringBuilder plain = new StringBuilder(inside.length());
        for (int i = 0; i < inside.length(); i++) {
            char c = inside.charAt(i);
            if (c == '\\' && i + 1 < inside.length()) {
                plain.append(TextLiterals.escapedInMySql(inside.charAt(++i)));
            } else {
                plain.append(c);
            }
        }
        return plain.toString();
    }

    @Override
    public boolean isMarked(String script, int from, int to, boolean escapes) {
        return script.charAt(from) == '"' || escapes && script.substring(from, to).indexOf('\\') >= 0;
    }

    /** MySQL manual, “mysql Client Commands”. */
    @Override
    public boolean isClientLine(String script, int at) {
        return script.charAt(at) == '\\' || begins(script, at, "source ");
    }
}
