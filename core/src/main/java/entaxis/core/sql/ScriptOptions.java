package entaxis.core.sql;

import java.util.Optional;
import java.util.Set;

/**
 * What a script contains, and how.
 *
 * @param dropFirst         whether it begins by dropping what it will create, if that is there
 * @param onlyIfAbsent      whether tables and indexes that are there already are left as they are
 * @param comments          whether meanings are written as comments on tables and columns
 * @param foreignKeysInside whether foreign keys stand in the definition of their table, where no cycle forbids it
 * @param quoteAlways       whether all names stand in quotes
 * @param letters           the case of letters that names are written in
 * @param schema            the schema that everything is put into, and that is created if absent
 * @param chosen            names of the tables that are written; all, if left out
 */
public record ScriptOptions(boolean dropFirst, boolean onlyIfAbsent, boolean comments, boolean foreignKeysInside,
        boolean quoteAlways, Letters letters, Optional<String> schema,
        Optional<Set<String>> chosen) {
    /** With comments, without dropping, in the engine's default schema. */
    public static final ScriptOptions DEFAULT = new ScriptOptions(false, true, Optional.empty());

    /** The case of letters that names are written in. */
    public enum Letters {
        AS_NAMED("as named"), SMALL("small letters"), CAPITAL("capital letters");

        private final String title;

        Letters(String title) {
            this.title = title;
        }

        /** What it is called. */
        public String title() {
            return title;
        }
    }

    /** Foreign keys behind the tables, quotes where needed, all tables. */
    public ScriptOptions(boolean dropFirst, boolean comments, Optional<String> schema) {
        this(dropFirst, false, comments, false, false, Letters.AS_NAMED, schema, Optional.empty());
    }
}
