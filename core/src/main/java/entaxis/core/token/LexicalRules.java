package entaxis.core.token;

import java.util.Set;

/** How an engine's SQL is cut into tokens. Immutable. */
public final class LexicalRules {
    /** Snippets in the words of ISO/IEC 9075-2, 5.2: what people type, and what is kept of scripts in ISO quotes. */
    public static final LexicalRules STANDARD = of("", LexicalRule.DOLLARS_INSIDE_WORDS);

    /** What an ASCII sign is, in bits. */
    static final byte SPACE = 1;
    static final byte LETTER = 2;
    static final byte DIGIT = 4;
    static final byte CAPITAL = 8;
    /** It goes on a word, but does not begin one. */
    static final byte INSIDE_WORD = 16;

    private final Set<LexicalRule> rules;
    private final byte[] signs = new byte[128];

    private LexicalRules(Set<LexicalRule> rules, String wordSigns) {
        this.rules = Set.copyOf(rules);
        for (char c = 0; c < signs.length; c++) {
            signs[c] = c <= ' ' ? SPACE : c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z' || c == '_' ? LETTER
                    : c >= '0' && c <= '9' ? DIGIT : 0;
        }
        for (char c = 'A'; c <= 'Z'; c++) {
            signs[c] |= CAPITAL;
        }
        wordSigns.chars().forEach(c -> signs[c] = LETTER);
        if (has(LexicalRule.DOLLARS_INSIDE_WORDS) || has(LexicalRule.DOLLAR_TEXTS)) {
            signs['$'] = INSIDE_WORD;
        }
    }

    /** Rules with the signs that belong to words beside letters, digits and underscores; these are ASCII signs. */
    public static LexicalRules of(String wordSigns, LexicalRule... rules) {
        return new LexicalRules(Set.of(rules), wordSigns);
    }

    /** Whether a rule holds. */
    public boolean has(LexicalRule rule) {
        return rules.contains(rule);
    }

    /** What each ASCII sign is, in bits. */
    byte[] signs() {
        return signs;
    }

    /** What a sign is. */
    byte kindOf(char sign) {
        return sign < 128 ? signs[sign]
                : Character.isLetterOrDigit(sign) || Character.isSurrogate(sign) ? LETTER
                : Character.isWhitespace(sign) ? SPACE : isMark(sign) ? INSIDE_WORD : 0;
    }

    private static boolean isMark(char sign) {
        int type = Character.getType(sign);
        return type == Character.NON_SPACING_MARK || type == Character.COMBINING_SPACING_MARK;
    }
}
