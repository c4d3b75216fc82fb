package entaxis.core.reading;

import entaxis.core.reading.SchemaBuilder.QName;

/** Reads names, with the schema before them where one is said. */
final class NameParser {
    private final TokenCursor tokens;
    private final SchemaBuilder builder;

    NameParser(TokenCursor tokens, SchemaBuilder builder) {
        this.tokens = tokens;
        this.builder = builder;
    }

    /**
     * A name with the schema before it; a variable of psql (PostgreSQL manual, “SQL Interpolation”) stands for itself.
     */
    QName qualified() {
        if (builder.takes(SyntaxRule.CLIENT_VARIABLES) && tokens.sign(':') && tokens.isName(tokens.at + 1)) {
            tokens.at++;
        }
        String name = tokens.name();
        String namespace = "";
        while (tokens.acceptSign('.')) {
            namespace = name;
            name = tokens.sign('.') ? "" : tokens.name();
        }
        return new QName(namespace, name);
    }

    /** The name that a constraint is given, which may say its schema too. */
    String newName() {
        return tokens.isName(tokens.at) && !tokens.sign(tokens.at + 1, '.') ? tokens.newNameAt(tokens.at++)
                : qualified().name();
    }
}
