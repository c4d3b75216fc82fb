package entaxis.core.engine.mariadb;

import entaxis.core.engine.mysql.MySqlSyntax;
import entaxis.core.syntax.ImpliedName.Named;
import entaxis.core.syntax.ImpliedName;
import entaxis.core.syntax.SyntaxRule;
import entaxis.core.targets.Target;
import entaxis.core.token.LexicalRules;
import entaxis.core.token.LexicalRule;
import java.util.Collections;
import java.util.EnumSet;
import java.util.Set;

/** Scripts of MariaDB and dumps of it: MySQL but for what is said here (MariaDB manual, “SQL Statements”). */
public final class MariaDbSyntax extends MySqlSyntax {
    private static final LexicalRules LEXICAL = LexicalRules.of("$@", LexicalRule.BACKSLASH_ESCAPES,
            LexicalRule.BACKTICKED_NAMES, LexicalRule.DIGITS_BEGIN_NAMES, LexicalRule.DOUBLE_QUOTED_TEXTS,
            LexicalRule.TEXT_INTRODUCERS, LexicalRule.HASH_COMMENTS, LexicalRule.STRICT_DASHES,
            LexicalRule.VERSION_COMMENTS, LexicalRule.FAMILY_VERSION_COMMENTS, LexicalRule.DELIMITER_COMMAND);
    private static final Set<SyntaxRule> RULES = Collections.unmodifiableSet(EnumSet.of(SyntaxRule.INLINE_KEYS,
            SyntaxRule.SWITCHES_PARTS, SyntaxRule.ACTIONS_PASSED_SINGLY, SyntaxRule.INDEXES_ALTERED_WITH_TABLE,
            SyntaxRule.INDEX_COMMENTS, SyntaxRule.METHODS_BEHIND_KEYS, SyntaxRule.UNIQUE_SERIAL,
            SyntaxRule.BINARY_CHARACTER_SET, SyntaxRule.SCHEMA_IS_DATABASE, SyntaxRule.INDEXES_WITHIN_TABLE,
            SyntaxRule.OPTIONS_BEHIND_DROPPED_INDEX, SyntaxRule.DROPPED_COLUMN_LEAVES_INDEX, SyntaxRule.SQL_MODES,
            SyntaxRule.STORAGE_WORDS, SyntaxRule.APPLICATION_PERIODS, SyntaxRule.CHECKED_DOCUMENTS,
            SyntaxRule.COMPOUND_STATEMENTS));

    @Override
    public Target engine() {
        return Target.MARIADB;
    }

    @Override
    public LexicalRules lexicalRules() {
        return LEXICAL;
    }

    @Override
    public Set<SyntaxRule> rules() {
        return RULES;
    }

    /** MariaDB manual, CONSTRAINT: a check of a column is called like the column. */
    @Override
    public ImpliedName impliedName(Named what) {
        return what == Named.CHECK ? new ImpliedName.OwnColumn(new ImpliedName.Counted(false, "CONSTRAINT_"))
                : super.impliedName(what);
    }
}
