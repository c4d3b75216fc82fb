package entaxis.core.sql;

import entaxis.core.sql.ScriptOptions.Letters;
import entaxis.core.type.SqlType;
import entaxis.core.type.SqlType.UserType;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/** How names are written in one script: the engine's rules with the options of the script on top. */
final class Spelling {
    private final Dialect dialect;
    private final ScriptOptions options;

    Spelling(Dialect dialect, ScriptOptions options) {
        this.dialect = dialect;
        this.options = options;
    }

    String name(String name) {
        if (!options.quoteAlways() && options.letters() == Letters.AS_NAMED) {
            return dialect.name(name);
        }
        String stored = dialect.stored(name);
        boolean plain = dialect.plain(stored);
        String cased = switch (options.letters()) {
            case AS_NAMED -> stored;
            case SMALL -> stored.toLowerCase(Locale.ROOT);
            case CAPITAL -> stored.toUpperCase(Locale.ROOT);
        };
        if (options.quoteAlways()) {
            return dialect.quoted(plain && dialect.foldsUp() ? cased.toUpperCase(Locale.ROOT)
                    : plain && options.letters() == Letters.AS_NAMED ? stored : cased);
        }
        return plain ? cased : dialect.name(stored);
    }

    /** A name with its schema: the one that it was put into, else the one that the script puts everything into. */
    String qualified(String namespace, String name) {
        String home = dialect.schemas() ? namespace.isEmpty() ? options.schema().orElse("") : namespace : "";
        return home.isEmpty() ? name(name) : name(home) + "." + name(name);
    }

    String names(List<String> columns) {
        return columns.stream().map(this::name).collect(Collectors.joining(", ", "(", ")"));
    }

    String type(SqlType type) {
        return type instanceof UserType(String name) ? qualified("", name) : dialect.type(type);
    }

    /** The words that name a constraint, with a blank behind; nothing for one that has no name. */
    String constraint(String name) {
        return name.isEmpty() ? "" : "CONSTRAINT " + name(name) + " ";
    }
}
