package entaxis.core.migration;

import entaxis.core.reading.Reading;
import entaxis.core.reading.ScriptReader;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import java.util.Optional;

/**
 * Carries a migration out on paper, by the reader of scripts, which knows what each statement does to a schema: a
 * statement that speaks of what is not there, or makes what is there, would stop the script half-way.
 */
public final class ScriptModel {
    private static final String SCRIPT = "migration";

    private ScriptModel() { }

    /** Where a migration of a schema would stop, and why; nothing if it goes through. Linear in both. */
    public static Optional<String> stop(Schema from, Migration migration) {
        Dialect dialect = Dialect.of(migration.engine());
        ScriptReader reader = new ScriptReader(migration.engine());
        reader.add("", new ScriptWriter(dialect, ScriptOptions.DEFAULT).writeAgain(from, "start").text());
        String text = migration.text("change");
        reader.add(SCRIPT, text);
        Reading reading = reader.done();
        return reading.notUnderstood().stream().filter(missed -> missed.conflict() && missed.file().equals(SCRIPT))
                .findFirst().map(missed -> "“" + text.lines().skip(missed.line() - 1L).findFirst().orElse("").strip()
                        + "”: " + missed.reason());
    }
}
