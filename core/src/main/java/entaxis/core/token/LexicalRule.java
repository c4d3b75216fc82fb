package entaxis.core.token;

/** What tells the engines' scripts apart before any grammar. */
public enum LexicalRule {
    /** A backslash escapes inside texts, unless a setting says otherwise. */
    BACKSLASH_ESCAPES,
    /** A text marked with an E has escapes. */
    ESCAPE_TEXTS,
    /** A name may stand in backticks. */
    BACKTICKED_NAMES,
    /** A name may stand in square brackets. */
    BRACKETED_NAMES,
    /** A name may stand in the quotes of texts. */
    TEXTS_AS_NAMES,
    /** A name may begin with a digit. */
    DIGITS_BEGIN_NAMES,
    /** Names without quotes are held in small letters, and cut. */
    NAMES_FOLD_DOWN,
    /** Double quotes stand around texts rather than names, unless a setting says otherwise. */
    DOUBLE_QUOTED_TEXTS,
    /** A text may stand in quotes of the writer's choice: {@code q'[...]'}. */
    CHOSEN_QUOTES,
    /** {@code $tag$} begins a text; a dollar sign goes on a word then, but does not begin one. */
    DOLLAR_TEXTS,
    /** A dollar sign goes on a word, but does not begin one or a text. */
    DOLLARS_INSIDE_WORDS,
    /** A word may stand before a text to say which characters it is made of. */
    TEXT_INTRODUCERS,
    /** A number sign begins a comment. */
    HASH_COMMENTS,
    /** Two dashes begin a comment only before white space. */
    STRICT_DASHES,
    /** Comments nest. */
    NESTED_COMMENTS,
    /** What stands in a comment that begins with an exclamation mark is run. */
    VERSION_COMMENTS,
    /** Such comments may be for another engine of the family only. */
    FAMILY_VERSION_COMMENTS,
    /** The client has a command that changes the sign which ends statements. */
    DELIMITER_COMMAND
}
