package entaxis.core.sql;

import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Sequence;
import entaxis.core.schema.Table;
import entaxis.core.sql.ScriptOptions.Letters;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** How names are written in one script: the engine's rules with the options of the script on top. */
public final class Spelling {
    private final Dialect dialect;
    private final ScriptOptions options;

    Spelling(Dialect dialect, ScriptOptions options) {
        this.dialect = dialect;
        this.options = options;
    }

    /** A name as it is written. */
    public String name(String name) {
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

    /** A table's name with its schema. */
    public String name(Table table) {
        return name(table.qualifiedName());
    }

    /** A sequence's name with its schema. */
    public String name(Sequence sequence) {
        return name(sequence.qualifiedName());
    }

    /** A name with its schema: the one that it was put into, else the one that the script puts everything into. */
    public String name(QualifiedName name) {
        return qualified(name.namespace(), name.name());
    }

    /** The schema that the script puts everything into. */
    public Optional<String> schema() {
        return options.schema();
    }

    /** A name with its schema: the one that it was put into, else the one that the script puts everything into. */
    public String qualified(String namespace, String name) {
        String home = dialect.schemas() ? namespace.isEmpty() ? options.schema().orElse("") : namespace : "";
        return home.isEmpty() ? name(name) : name(home) + "." + name(name);
    }

    String names(List<String> columns) {
        StringBuilder list = new StringBuilder("(");
        for (String column : columns) {
            list.append(list.length() > 1 ? ", " : "").append(name(column));
        }
        return list.append(')').toString();
    }

    String type(SqlType type) {
        return type instanceof UserType(String namespace, String name) ? qualified(namespace, name)
                : dialect.type(type);
    }

    /** The words that name a constraint, with a blank behind; nothing for one that has no name. */
    String constraint(String name) {
        return name.isEmpty() ? "" : "CONSTRAINT " + name(name) + " ";
    }
}
