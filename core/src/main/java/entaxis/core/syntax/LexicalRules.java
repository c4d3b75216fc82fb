package entaxis.core.syntax;

import java.util.Set;

/**
 * How an engine's scripts are cut into tokens.
 *
 * @param rules what holds
 * @param signs signs that belong to words beside letters, digits and underscores
 */
public record LexicalRules(Set<LexicalRule> rules, String signs) {
    /** Keeps its own copy. */
    public LexicalRules {
        rules = Set.copyOf(rules);
    }

    /** Rules with the signs that belong to words. */
    public static LexicalRules of(String signs, LexicalRule... rules) {
        return new LexicalRules(Set.of(rules), signs);
    }

    /** Whether a rule holds. */
    public boolean has(LexicalRule rule) {
        return rules.contains(rule);
    }
}
