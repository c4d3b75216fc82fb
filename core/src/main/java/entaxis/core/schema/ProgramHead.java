package entaxis.core.schema;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

/** What a view, routine, trigger or rule says before its body. */
public sealed interface ProgramHead {
    /** A view or package, which has its name for itself; also what cannot be read. */
    record Named() implements ProgramHead { }

    /**
     * A routine.
     *
     * @param parameters its parameters as written, without the brackets around them; empty if it has none
     */
    record RoutineHead(String parameters) implements ProgramHead { }

    /**
     * A trigger (ISO/IEC 9075-2, 11.49).
     *
     * @param table   the table or view that it belongs to
     * @param time    when it fires
     * @param events  what it fires at
     * @param columns where it fires at updates of some columns only, these; otherwise none
     * @param routine the routine that it calls, where its body is that and nothing else (PostgreSQL manual, CREATE
     *                TRIGGER)
     */
    record TriggerHead(QualifiedName table, Time time, Set<Event> events, List<String> columns,
            Optional<QualifiedName> routine) implements ProgramHead {
        /** Copies the events and columns. */
        public TriggerHead {
            events = Set.copyOf(events);
            columns = List.copyOf(columns);
        }

        /** As a sentence says it: {@code before insert or update}. */
        public String words() {
            return time.words() + " " + String.join(" or ",
                    events.stream().sorted().map(event -> event.name().toLowerCase(Locale.ROOT)).toList());
        }
    }

    /**
     * A rewriting rule (PostgreSQL manual, CREATE RULE).
     *
     * @param table the table or view that it belongs to
     */
    record RuleHead(QualifiedName table) implements ProgramHead { }

    /** When a trigger fires; engines that leave it to be said mean before (SQLite) or after (SQL Server). */
    enum Time {
        BEFORE, AFTER, INSTEAD_OF;

        /** In small letters. */
        public String words() {
            return name().toLowerCase(Locale.ROOT).replace('_', ' ');
        }
    }

    /** What a trigger fires at. */
    enum Event { INSERT, UPDATE, DELETE, TRUNCATE }

    /**
     * Reads the statement that creates a program, up to its body. Linear in it.
     *
     * @param unquoted how the engine holds a name without quotes
     */
    static ProgramHead of(ProgramKind kind, String text, UnaryOperator<String> unquoted) {
        return new ProgramHeadReader(text, unquoted).read(kind);
    }

    /** The table or view that a trigger or rule belongs to. */
    default Optional<QualifiedName> belongsTo() {
        return switch (this) {
            case TriggerHead trigger -> Optional.of(trigger.table());
            case RuleHead rule -> Optional.of(rule.table());
            case RoutineHead routine -> Optional.empty();
            case Named named -> Optional.empty();
        };
    }

    /** The parameters of a routine as they were written; empty for anything else. */
    default String routineParameters() {
        return this instanceof RoutineHead(String parameters) ? parameters : "";
    }
}
