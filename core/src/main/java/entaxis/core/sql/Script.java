package entaxis.core.sql;

import entaxis.core.design.OwnerId;
import entaxis.core.word.Words;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * An SQL script.
 *
 * @param head       what it is, as comment lines
 * @param statements the statements in the order in which they are to be run
 */
public record Script(String head, List<Statement> statements) {

    /** What a statement does. */
    public enum Kind { DROP, SCHEMA, TYPE, TABLE, FOREIGN_KEY, INDEX, COMMENT }

    /**
     * One statement.
     *
     * @param origin what it was made for
     * @param text   the SQL, without the semicolon that ends it
     */
    public record Statement(Kind kind, Optional<OwnerId> origin, String text) { }

    /** Copies the statements. */
    public Script {
        statements = List.copyOf(statements);
    }

    /** The whole text: a blank line around each table and between kinds. */
    public String text() {
        StringBuilder text = new StringBuilder(head);
        Optional<Kind> before = Optional.empty();
        for (Statement statement : statements) {
            boolean apart = statement.kind() == Kind.TABLE || !before.equals(Optional.of(statement.kind()));
            text.append(apart ? "\n" : "").append(statement.text()).append(";\n");
            before = Optional.of(statement.kind());
        }
        return text.toString();
    }

    /** How many statements there are of each kind, in words, such as “14 tables, 17 foreign keys”. */
    public String summary() {
        return java.util.Arrays.stream(Kind.values()).map(this::counted).filter(words -> !words.isEmpty()).collect(Collectors.joining(", "));
    }

    private String counted(Kind kind) {
        long count = statements.stream().filter(statement -> statement.kind() == kind).count();
        String word = switch (kind) {
            case DROP -> "drop";
            case SCHEMA -> "schema";
            case TYPE -> "type";
            case TABLE -> "table";
            case FOREIGN_KEY -> "foreign key";
            case INDEX -> "index";
            case COMMENT -> "comment";
        };
        return count == 0 ? "" : count + " " + (count == 1 ? word : Words.plural(word));
    }
}
