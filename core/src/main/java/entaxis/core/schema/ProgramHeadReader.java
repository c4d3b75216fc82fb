package entaxis.core.schema;

import entaxis.core.schema.ProgramHead.Event;
import entaxis.core.schema.ProgramHead.Named;
import entaxis.core.schema.ProgramHead.RoutineHead;
import entaxis.core.schema.ProgramHead.RuleHead;
import entaxis.core.schema.ProgramHead.Time;
import entaxis.core.schema.ProgramHead.TriggerHead;
import entaxis.core.token.LexicalRules;
import entaxis.core.token.LexicalRule;
import entaxis.core.token.Token.Kind;
import entaxis.core.token.TokenCursor;
import entaxis.core.token.Token;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * Reads the heads of routines, triggers and rules of all engines: ISO/IEC 9075-2, 11.49 and 11.60; what PostgreSQL,
 * MySQL, SQLite, SQL Server, Oracle and H2 add are other orders of the same parts and other quotes.
 */
final class ProgramHeadReader extends TokenCursor {
    /** The quotes of all engines; in heads they mean nothing else. */
    private static final LexicalRules QUOTES = LexicalRules.of("", LexicalRule.DOLLARS_INSIDE_WORDS,
            LexicalRule.BACKTICKED_NAMES, LexicalRule.BRACKETED_NAMES);
    private static final Set<String> ROUTINES = Set.of("function", "procedure", "proc");
    private static final Set<String> TRIGGER = Set.of("trigger");
    private static final Set<String> RULE = Set.of("rule");
    /** What stands behind a head in one engine or another. */
    private static final Set<String> ENDS_TRIGGER =
            Set.of("as", "begin", "execute", "call", "when", "declare", "compound", "referencing");
    private static final Set<String> ENDS_ROUTINE = Set.of("as", "is", "return", "begin");

    private final UnaryOperator<String> unquoted;

    ProgramHeadReader(String text, UnaryOperator<String> unquoted) {
        super(text, QUOTES);
        this.unquoted = unquoted;
    }

    ProgramHead read(ProgramKind kind) {
        return switch (kind) {
            case FUNCTION, PROCEDURE -> routine();
            case TRIGGER -> trigger();
            case RULE -> rule();
            case VIEW, PACKAGE -> new Named();
        };
    }

    private ProgramHead routine() {
        passTo(ROUTINES);
        while (!atEnd() && !sign('(') && !isWordOf(ENDS_ROUTINE)) {
            advance();
        }
        int open = at();
        int close = closing('(', ')');
        return new RoutineHead(close < 0 ? "" : written(open + 1, close));
    }

    /** Some tokens as they were written, but for white space and comments between them. */
    private String written(int first, int end) {
        StringBuilder written = new StringBuilder();
        for (int token = first; token < end; token++) {
            written.append(token > first && from(token) > to(token - 1) ? " " : "").append(token(token).text());
        }
        return written.toString();
    }

    private ProgramHead trigger() {
        passTo(TRIGGER);
        accept("if", "not", "exists");
        name();
        Optional<Time> time = Optional.empty();
        Set<Event> events = EnumSet.noneOf(Event.class);
        List<String> columns = new ArrayList<>();
        Optional<QualifiedName> table = Optional.empty();
        while (!atEnd() && !isWordOf(ENDS_TRIGGER) && !(is("for") && isAhead(1, "each"))) {
            time = time.or(this::time);
            event().ifPresent(events::add);
            if (accept("on")) {
                table = table.or(() -> Optional.of(name()));
            } else if (accept("update", "of")) {
                do {
                    columns.add(held());
                } while (accept(","));
            } else if (!accept("with", "execute", "as")) {
                advance();
            }
        }
        Time fires = time.orElse(Time.BEFORE);
        return table.filter(name -> !events.isEmpty())
                .<ProgramHead>map(name -> new TriggerHead(name, fires, events, columns, calledRoutine()))
                .orElseGet(Named::new);
    }

    /** The routine behind EXECUTE FUNCTION, which is called a procedure in old scripts. */
    private Optional<QualifiedName> calledRoutine() {
        while (!atEnd()) {
            if (accept("execute", "function") || accept("execute", "procedure")) {
                return Optional.of(name());
            }
            advance();
        }
        return Optional.empty();
    }

    /** When it fires, as far as the word here says it; FOR means AFTER (Transact-SQL Reference, CREATE TRIGGER). */
    private Optional<Time> time() {
        return is("before") ? Optional.of(Time.BEFORE) : is("after") || is("for") ? Optional.of(Time.AFTER)
                : is("instead") ? Optional.of(Time.INSTEAD_OF) : Optional.empty();
    }

    private Optional<Event> event() {
        return Arrays.stream(Event.values()).filter(event -> is(event.name())).findFirst();
    }

    private ProgramHead rule() {
        passTo(RULE);
        name();
        while (!atEnd() && !accept("to")) {
            advance();
        }
        return atEnd() ? new Named() : new RuleHead(name());
    }

    /** Goes behind the first of some words. */
    private void passTo(Set<String> words) {
        while (!atEnd() && !isWordOf(words)) {
            advance();
        }
        advance();
    }

    private boolean isWordOf(Set<String> words) {
        return kind() == Kind.WORD && words.contains(peek().text().toLowerCase(Locale.ROOT));
    }

    private QualifiedName name() {
        List<String> parts = new ArrayList<>(List.of(held()));
        while (accept(".")) {
            parts.add(held());
        }
        return new QualifiedName(parts.size() > 1 ? parts.get(parts.size() - 2) : "", parts.getLast());
    }

    /** The name that stands here as the engine holds it, which is passed. */
    private String held() {
        Token token = next();
        return token.kind() == Kind.WORD ? unquoted.apply(token.text()) : token.name();
    }
}
