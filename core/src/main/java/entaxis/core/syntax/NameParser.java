package entaxis.core.syntax;

import entaxis.core.schema.QualifiedName;
import entaxis.core.statement.PlacedName;
import java.util.ArrayList;
import java.util.List;

/** Reads names, with the schema before them where one is said. */
final class NameParser {
    private final StatementCursor tokens;
    private final ScriptSyntax syntax;

    NameParser(StatementCursor tokens, ScriptSyntax syntax) {
        this.tokens = tokens;
        this.syntax = syntax;
    }

    /**
     * A name with the schema before it; a variable of psql (PostgreSQL manual, “SQL Interpolation”) stands for itself.
     */
    QualifiedName qualified() {
        if (syntax.takes(SyntaxRule.CLIENT_VARIABLES) && tokens.sign(':') && tokens.isName(tokens.at() + 1)) {
            tokens.advance();
        }
        String name = tokens.name();
        String namespace = "";
        while (tokens.acceptSign('.')) {
            namespace = name;
            name = tokens.sign('.') ? "" : tokens.name();
        }
        return new QualifiedName(namespace, name);
    }

    /** The name that a constraint is given, which may say its schema too. */
    String newName() {
        int at = tokens.at();
        if (!tokens.isName(at) || tokens.sign(at + 1, '.')) {
            return qualified().name();
        }
        tokens.advance();
        return tokens.newNameAt(at);
    }

    /** A name with the schema before it, and where it stands. */
    PlacedName placed() {
        int place = tokens.place();
        return new PlacedName(qualified(), place);
    }

    /** Names with the schemas before them and commas between. */
    List<QualifiedName> list() {
        List<QualifiedName> names = new ArrayList<>(1);
        do {
            names.add(qualified());
        } while (tokens.acceptSign(','));
        return names;
    }
}
