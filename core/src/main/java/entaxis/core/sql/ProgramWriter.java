package entaxis.core.sql;

import entaxis.core.design.ProgramKind;
import entaxis.core.schema.Grant;
import entaxis.core.design.ObjectComment;
import entaxis.core.schema.Program;
import entaxis.core.schema.Sequence;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Writes what is said about views, routines, triggers and sequences beside the statements that create them. */
public final class ProgramWriter {
    private final Dialect dialect;
    private final Spelling spelling;

    /** A writer for one engine; the options say how names are written. */
    public ProgramWriter(Dialect dialect, ScriptOptions options) {
        this.dialect = dialect;
        this.spelling = new Spelling(dialect, options);
    }

    /** What a program is called where a statement is about it, such as {@code FUNCTION weight(lot integer)}. */
    public String object(Program program) {
        String name = spelling.qualified(program.namespace(), program.name());
        boolean routine = program.kind() == ProgramKind.FUNCTION || program.kind() == ProgramKind.PROCEDURE;
        boolean onTable = dialect.triggersWithinTable()
                && (program.kind() == ProgramKind.TRIGGER || program.kind() == ProgramKind.RULE);
        if (onTable) {
            return word(program) + " " + spelling.name(program.name()) + " ON " + ProgramHead.of(program).table();
        }
        String arguments = routine ? ProgramHead.of(program).arguments() : "";
        return word(program) + " " + name + (routine && dialect.routineSignature(arguments).isPresent()
                ? "(" + dialect.withoutDefaults(arguments) + ")" : "");
    }

    private static String word(Program program) {
        boolean materialized = program.kind() == ProgramKind.VIEW
                && program.text().toLowerCase(Locale.ROOT).matches("(?s)create\\s+materialized\\s.*");
        return (materialized ? "MATERIALIZED " : "") + program.kind().word().toUpperCase(Locale.ROOT);
    }

    /** The statement that drops a program. */
    public String drop(Program program) {
        return "DROP " + object(program);
    }

    /** The statements that make its comments what they are to be. */
    public List<String> comments(Program program, List<ObjectComment> before) {
        List<String> statements = new ArrayList<>();
        if (!dialect.commentedPrograms().contains(program.kind())) {
            return statements;
        }
        before.stream().filter(old -> comment(program, old.column()).isEmpty())
                .forEach(old -> statements.add(comment(program, new ObjectComment(old.column(), ""))));
        program.comments().stream().filter(now -> !before.contains(now))
                .forEach(now -> statements.add(comment(program, now)));
        return statements;
    }

    private static Optional<ObjectComment> comment(Program program, String column) {
        return program.comments().stream().filter(now -> now.column().equals(column)).findFirst();
    }

    private String comment(Program program, ObjectComment comment) {
        String object = comment.column().isEmpty() ? commentedAs(program)
                : "COLUMN " + spelling.qualified(program.namespace(), program.name()) + "."
                        + spelling.name(comment.column());
        return "COMMENT ON " + object + " IS " + (comment.text().isEmpty() ? dialect.noComment()
                : dialect.literal(comment.text()));
    }

    private String commentedAs(Program program) {
        return program.kind() == ProgramKind.VIEW && dialect.commentsOnViewsAsTables()
                ? "TABLE " + spelling.qualified(program.namespace(), program.name()) : object(program);
    }

    /** The statement that gives a sequence its comment; none for engines that keep none. */
    public Optional<String> comment(Sequence sequence) {
        return dialect.commentsOnSequences() ? Optional.of("COMMENT ON SEQUENCE " + spelling.name(sequence) + " IS "
                + (sequence.comment().isEmpty() ? dialect.noComment() : dialect.literal(sequence.comment())))
                : Optional.empty();
    }

    /** The statements that let those use a program who are to, beside those who may now. */
    public List<String> grants(Program program, List<Grant> before) {
        List<String> statements = new ArrayList<>();
        program.grants().ifPresent(now -> {
            String object = program.kind() == ProgramKind.VIEW
                    ? spelling.qualified(program.namespace(), program.name()) : object(program);
            byGrantee(before.stream().filter(grant -> !now.contains(grant)).toList()).forEach((grantee, privileges) ->
                    statements.add("REVOKE " + privileges + " ON " + object + " FROM " + spelled(grantee)));
            byGrantee(now.stream().filter(grant -> !before.contains(grant) && !grant.grantable()).toList())
                    .forEach((grantee, privileges) -> statements
                            .add("GRANT " + privileges + " ON " + object + " TO " + spelled(grantee)));
            byGrantee(now.stream().filter(grant -> !before.contains(grant) && grant.grantable()).toList())
                    .forEach((grantee, privileges) -> statements.add("GRANT " + privileges + " ON " + object + " TO "
                            + spelled(grantee) + " WITH GRANT OPTION"));
        });
        return statements;
    }

    /** The statements for a program that was just created. */
    public List<String> grants(Program program) {
        return grants(program, dialect.usualGrants(program.kind()).orElse(List.of()));
    }

    private String spelled(String grantee) {
        return grantee.equals(Grant.PUBLIC) ? grantee : dialect.name(grantee);
    }

    private static Map<String, String> byGrantee(List<Grant> grants) {
        Map<String, String> privileges = new LinkedHashMap<>();
        grants.forEach(
                grant -> privileges.merge(grant.grantee(), grant.privilege(), (one, other) -> one + ", " + other));
        return privileges;
    }
}
