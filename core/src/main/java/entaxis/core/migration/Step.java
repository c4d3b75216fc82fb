package entaxis.core.migration;

import entaxis.core.reconcile.Risk;
import java.util.List;
import java.util.Optional;

/**
 * One step of a migration.
 *
 * @param table      the table that it is about, by its name at that time; empty if about none
 * @param what       what it does, as a short sentence
 * @param statements the SQL, without the semicolons that end it
 * @param questions  what can be asked beforehand
 * @param advice     how to do it in smaller steps, or what to know; may be empty
 * @param wayBack    whether the reverse script restores what was there
 */
public record Step(Stage stage, String table, Risk risk, String what, List<String> statements, List<Question> questions,
        String advice, boolean wayBack) {
    /** Copies the lists. */
    public Step {
        statements = List.copyOf(statements);
        questions = List.copyOf(questions);
    }

    static Step of(Stage stage, String table, Risk risk, String what, List<String> statements, Optional<String> query,
            String advice, boolean wayBack) {
        return new Step(stage, table, risk, what, statements,
                query.map(sql -> new Question(sql, risk == Risk.LOSES_DATA)).stream().toList(), advice, wayBack);
    }

    static Step safe(Stage stage, String table, String what, List<String> statements) {
        return new Step(stage, table, Risk.SAFE, what, statements, List.of(), "", true);
    }
}
