package entaxis.core.reading;

import entaxis.core.design.Target;

/**
 * What tells the engines' scripts apart before any grammar.
 *
 * @param backslash    whether a backslash escapes inside texts (MySQL manual, “String Literals”)
 * @param backticks    whether a name may stand in backticks
 * @param squares      whether a name may stand in square brackets
 * @param doubleIsText whether double quotes stand around texts rather than names
 * @param hashComment  whether a number sign begins a comment
 * @param strictDashes whether two dashes begin a comment only before white space
 * @param nested       whether comments nest
 * @param dollarTexts  whether {@code $tag$} begins a text (PostgreSQL manual, 4.1.2.4)
 * @param signs        signs that belong to words beside letters, digits and underscores
 */
record LexicalRules(Target engine, boolean backslash, boolean backticks, boolean squares, boolean doubleIsText,
        boolean hashComment, boolean strictDashes, boolean nested,
        boolean dollarTexts, String signs) {

    static LexicalRules of(Target engine) {
        return switch (engine) {
            case POSTGRESQL -> new LexicalRules(engine, false, false, false, false, false, false, true, true, "$");
            case MYSQL, MARIADB -> new LexicalRules(engine, true, true, false, true, true, true, false, false, "$@");
            case SQLITE -> new LexicalRules(engine, false, true, true, false, false, false, false, false, "$");
            case SQLSERVER -> new LexicalRules(engine, false, false, true, false, false, false, true, false, "$#@");
            case ORACLE -> new LexicalRules(engine, false, false, false, false, false, false, false, false, "$#");
            case H2 -> new LexicalRules(engine, false, true, false, false, false, false, true, true, "$");
            case ISO -> new LexicalRules(engine, false, false, false, false, false, false, true, false, "$");
        };
    }

    boolean isMySql() {
        return engine == Target.MYSQL || engine == Target.MARIADB;
    }
}
