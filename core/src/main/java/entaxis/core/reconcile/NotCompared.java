package entaxis.core.reconcile;

import entaxis.core.reading.Reading;
import entaxis.core.reading.SteppedOver;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** What two sides may be apart in without being told, with the reason. */
final class NotCompared {
    /** Statements that are passed and that say nothing about what a schema is. */
    private static final Set<String> SAYS_NOTHING = Set.of("setting", "transaction", "rows", "maintenance", "query",
            "change of rows", "call of a procedure", "what its condition rules out", "type that is there already",
            "table that is there already", "index that is there already", "drop of what is not there", "message",
            "lock", "end of a block", "database", "client command", "change of database", "schema", "extension",
            "temporary table", "procedural statement", "statement in a text", "part of an anonymous block",
            "anonymous block", "change of what is not there", "switching on and off");

    private NotCompared() { }

    /** What a script has that is not read, by kind, with how often; linear in the statements that were passed. */
    static List<String> unread(Reading reading) {
        Map<String, Long> kinds = reading.steppedOver().stream().map(SteppedOver::kind)
                .filter(kind -> !SAYS_NOTHING.contains(kind))
                .collect(Collectors.groupingBy(kind -> kind, TreeMap::new, Collectors.counting()));
        return kinds.entrySet().stream()
                .map(kind -> kind.getKey() + (kind.getValue() == 1 ? "" : " (" + kind.getValue() + ")")).toList();
    }

    /** Sentences about two sides; none if all that either of them can have was compared. */
    static List<String> of(Reconciliation.Side have, Reconciliation.Side want, Dialect dialect) {
        List<String> sentences = new ArrayList<>();
        String engine = dialect.target().title();
        if (have.live() || want.live()) {
            String unread = CatalogWording.of(dialect.target()).notRead();
            if (!unread.isEmpty()) {
                sentences.add("Not read from the catalog of " + engine + ": " + unread + ".");
            }
        }
        List<String> passed = new ArrayList<>(have.unread());
        want.unread().stream().filter(kind -> !passed.contains(kind)).forEach(passed::add);
        if (!passed.isEmpty()) {
            sentences.add("Passed over in the script: " + String.join(", ", passed) + ".");
        }
        if (Namespaces.differ(have.schema(), want.schema())) {
            sentences.add("The tables of one side all stand in the schema "
                    + Namespaces.only(have.schema()).filter(name -> !name.isEmpty())
                            .or(() -> Namespaces.only(want.schema())).orElse("")
                    + ", those of the other in the usual one: the two are taken as the same.");
        }
        if (tells(have.schema()) != tells(want.schema()) && (granted(have.schema(), dialect)
                || granted(want.schema(), dialect))) {
            sentences.add("Who may use tables and other objects: only one side says it, so it stays as it is.");
        }
        Set<String> extensions = new HashSet<>(have.schema().extensions());
        if (!extensions.equals(Set.copyOf(want.schema().extensions()))) {
            extensions.addAll(want.schema().extensions());
            extensions.removeIf(name -> have.schema().extensions().contains(name)
                    && want.schema().extensions().contains(name));
            sentences.add("Extensions: only one side names "
                    + extensions.stream().sorted().collect(Collectors.joining(", "))
                    + "; what is missing is added before it is used, and nothing is removed.");
        }
        return sentences;
    }

    private static boolean tells(Schema schema) {
        return Secured.of(schema).anyMatch(one -> one.grants().isPresent());
    }

    /** Whether somebody may do what not everybody may from the beginning. */
    private static boolean granted(Schema schema, Dialect dialect) {
        return Secured.of(schema).anyMatch(one -> one.isUnusual(dialect));
    }
}
