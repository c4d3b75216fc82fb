package entaxis.core.sql;

import entaxis.core.schema.Schema;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Tells which tables and columns have a name that an engine reserves: the script puts it in quotes, and so must every
 * query.
 */
final class ReservedNames {
    private static final int MAX_LENGTH = 32;

    private ReservedNames() { }

    /** A finding for each such name. Linear in the columns. */
    static List<AdaptationNote> of(Schema schema, Dialect dialect) {
        List<AdaptationNote> findings = new ArrayList<>();
        schema.tables().forEach(table -> {
            description(table.name(), dialect).ifPresent(
                    words -> findings.add(new AdaptationNote(AdaptationNote.Kind.QUOTED, table.label(), "", words)));
            table.columns().forEach(column -> description(column.name(), dialect).ifPresent(words -> findings
                    .add(new AdaptationNote(AdaptationNote.Kind.QUOTED, table.label(), column.name(), words))));
        });
        return findings;
    }

    private static Optional<String> description(String name, Dialect dialect) {
        if (name.length() > MAX_LENGTH) {
            return Optional.empty();
        }
        String word = name.toLowerCase(Locale.ROOT);
        return !dialect.reserved().contains(word) ? Optional.empty()
                : Optional.of("“" + word + "” is a reserved word of " + dialect.target().title()
                        + ReservedSince.version(dialect.target(), word).map(version -> " since " + version).orElse("")
                        + "; queries have to quote it");
    }
}
