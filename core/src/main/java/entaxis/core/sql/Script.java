package entaxis.core.sql;

import entaxis.core.schema.QualifiedName;
import entaxis.core.targets.Target;
import entaxis.core.word.Words;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * An SQL script.
 *
 * @param engine     whose words it is in
 * @param head       what it is, as comment lines
 * @param statements the statements in the order in which they are to be run
 * @param findings   what the engine does not take as it was asked for
 */
public record Script(Target engine, String head, List<Statement> statements, List<AdaptationNote> findings) {

    /** What a statement does. */
    public enum Kind {
        DROP, SCHEMA, TYPE, SEQUENCE, TABLE, FOREIGN_KEY, INDEX, PROGRAM, COMMENT, PRIVILEGE, ROWS, SETTING
    }

    private static final Set<Kind> BODILESS =
            EnumSet.of(Kind.TABLE, Kind.FOREIGN_KEY, Kind.INDEX, Kind.COMMENT, Kind.ROWS);

    /**
     * One statement.
     *
     * @param table the table that it is made for, by its name in the script; none if for something else
     * @param text  the SQL, without the semicolon that ends it
     */
    public record Statement(Kind kind, Optional<QualifiedName> table, String text) {
        /** A statement that belongs to no table. */
        static Statement of(Kind kind, String text) {
            return new Statement(kind, Optional.empty(), text);
        }

        /** A statement that is made for a table. */
        static Statement of(Kind kind, QualifiedName table, String text) {
            return new Statement(kind, Optional.of(table), text);
        }

        /** Puts it behind a script; only what may have a body is looked into to know how it ends. */
        private void append(StringBuilder script, Target engine) {
            if (BODILESS.contains(kind) && !text.endsWith(";")) {
                script.append(text).append(";\n");
            } else {
                Ending.append(script, text, engine);
            }
        }
    }

    /** The text cut into one per table, by name of the table; what belongs to none comes first, under an empty name. */
    public SequencedMap<String, String> perTable() {
        SequencedMap<String, StringBuilder> texts = new LinkedHashMap<>();
        for (Statement statement : statements) {
            String name = statement.table().map(QualifiedName::label).orElse("");
            statement.append(texts.computeIfAbsent(name, any -> new StringBuilder(head)).append('\n'), engine);
        }
        SequencedMap<String, String> cut = new LinkedHashMap<>();
        texts.forEach((name, text) -> cut.put(name, text.toString()));
        return cut;
    }

    /** Copies the lists. */
    public Script {
        statements = List.copyOf(statements);
        findings = List.copyOf(findings);
    }

    /** This script, if it was made of what the same engine has: of that nothing is lost. */
    public Script ofOwnEngine() {
        return new Script(engine, head, statements,
                findings.stream().filter(note -> note.kind() != AdaptationNote.Kind.LOST).toList());
    }

    /** This script with more statements behind. */
    public Script followedBy(List<Statement> more) {
        return new Script(engine, head, java.util.stream.Stream.concat(statements.stream(), more.stream()).toList(),
                findings);
    }

    /** The whole text: a blank line around each table and between kinds. */
    public String text() {
        StringBuilder text = new StringBuilder(head);
        for (int i = 0; i < statements.size(); i++) {
            Statement statement = statements.get(i);
            boolean apart = statement.kind() == Kind.TABLE || i == 0
                    || statements.get(i - 1).kind() != statement.kind();
            statement.append(text.append(apart ? "\n" : ""), engine);
        }
        return text.toString();
    }

    /** How many statements there are of each kind, in words, such as “14 tables, 17 foreign keys”. */
    public String summary() {
        return java.util.Arrays.stream(Kind.values()).map(this::counted).filter(words -> !words.isEmpty())
                .collect(Collectors.joining(", "));
    }

    private String counted(Kind kind) {
        long count = statements.stream().filter(statement -> statement.kind() == kind).count();
        String word = switch (kind) {
            case DROP -> "drop";
            case SCHEMA -> "schema";
            case TYPE -> "type";
            case SEQUENCE -> "sequence";
            case TABLE -> "table";
            case PROGRAM -> "view or routine";
            case FOREIGN_KEY -> "foreign key";
            case INDEX -> "index";
            case COMMENT -> "comment";
            case PRIVILEGE -> "privilege";
            case ROWS -> "row";
            case SETTING -> "setting";
        };
        return count == 0 ? "" : Words.counted(count, word);
    }
}
