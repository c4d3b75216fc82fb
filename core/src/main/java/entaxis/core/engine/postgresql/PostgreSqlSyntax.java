package entaxis.core.engine.postgresql;

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

/** Scripts of PostgreSQL and dumps of it (PostgreSQL manual, part VI; psql; pg_dump). */
public final class PostgreSqlSyntax extends ScriptSyntax {
    private static final LexicalRules LEXICAL = LexicalRules.of("", LexicalRule.NESTED_COMMENTS,
            LexicalRule.DOLLAR_TEXTS, LexicalRule.ESCAPE_TEXTS, LexicalRule.NAMES_FOLD_DOWN);
    /** PostgreSQL manual, pg_opclass, opcdefault. */
    private static final Set<String> DEFAULT_OPERATOR_CLASSES = Set.of("text_ops", "int2_ops", "int4_ops", "int8_ops",
            "numeric_ops", "date_ops", "timestamp_ops", "timestamptz_ops", "bool_ops", "uuid_ops", "jsonb_ops",
            "array_ops", "tsvector_ops", "bytea_ops", "bpchar_ops", "float4_ops", "float8_ops", "oid_ops", "char_ops",
            "name_ops", "time_ops", "timetz_ops", "interval_ops", "enum_ops", "range_ops", "bit_ops", "varbit_ops");
    private static final Set<SyntaxRule> RULES =
            Collections.unmodifiableSet(EnumSet.of(SyntaxRule.EXTENSIONS, SyntaxRule.EXACT_NAMES,
            SyntaxRule.ALTERS_DEFERRAL, SyntaxRule.KNOWN_OPTIONS_ONLY, SyntaxRule.COUNTING_DEFAULTS,
            SyntaxRule.KEYS_FROM_INDEXES, SyntaxRule.MERGES_EQUAL_KEYS, SyntaxRule.OPERATOR_CLASSES,
            SyntaxRule.CLIENT_VARIABLES, SyntaxRule.BLOCKS_IN_TEXTS, SyntaxRule.RULE_STATEMENTS,
            SyntaxRule.ARRAYS_OF_ANY_DIMENSION, SyntaxRule.QUALIFIED_SYSTEM_TYPES, SyntaxRule.SERIAL_TYPES,
            SyntaxRule.DROPPED_TYPE_TAKES_COLUMNS, SyntaxRule.LIKE_AMONG_ELEMENTS, SyntaxRule.SELECT_INTO,
            SyntaxRule.DROP_TAKES_VIEWS, SyntaxRule.COPIES_WITHOUT_RULES, SyntaxRule.TABLE_HIERARCHIES));
    /** PostgreSQL manual, 4.1.1: identifiers are cut at 63 bytes. */
    private static final int MAX_NAME = 63;

    @Override
    public Target engine() {
        return Target.POSTGRESQL;
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
    public Set<String> defaultOperatorClasses() {
        return DEFAULT_OPERATOR_CLASSES;
    }

    @Override
    public String defaultSchema() {
        return "public";
    }

    /** PostgreSQL manual, CREATE TABLE and CREATE INDEX; source, makeObjectName and ChooseRelationName. */
    @Override
    public ImpliedName impliedName(Named what) {
        return new ImpliedName.Joined(switch (what) {
            case PRIMARY_KEY -> "pkey";
            case UNIQUE_KEY -> "key";
            case INDEX -> "idx";
            case EXCLUSION -> "excl";
            case FOREIGN_KEY -> "fkey";
            case CHECK, DOMAIN_CHECK -> "check";
            case SEQUENCE -> "seq";
        }, MAX_NAME);
    }

    @Override
    public String unescaped(String inside) {
        return PostgreSqlEscapes.undone(inside);
    }

    @Override
    public boolean isMarked(String script, int from, int to, boolean escapes) {
        char first = script.charAt(from);
        return first == '$' || first == 'E' || first == 'e';
    }

    @Override
    public String separatorSigns() {
        return "\\";
    }

    /** PostgreSQL manual, psql, “Meta-Commands”. */
    @Override
    public boolean separates(String script, int at) {
        return script.charAt(at) == '\\' && at + 1 < script.length() && script.charAt(at + 1) < 128
                && (Character.isLetter(script.charAt(at + 1)) || script.charAt(at + 1) == '_');
    }

    @Override
    public boolean isClientLine(String script, int at) {
        return script.charAt(at) == '\\';
    }
}
