package entaxis.core.reading;

import entaxis.core.design.ProgramKind;
import entaxis.core.reading.SchemaBuilder.QName;
import entaxis.core.schema.Program;
import entaxis.core.schema.SecuredObject;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reads statements on views, routines and triggers, which are kept as texts. */
final class ProgramStatements {
    private final TokenCursor tokens;
    private final SchemaBuilder builder;
    private final DefinitionParsers definitions;
    private final StepOver pass;

    ProgramStatements(TokenCursor tokens, SchemaBuilder builder, DefinitionParsers definitions, StepOver pass) {
        this.tokens = tokens;
        this.builder = builder;
        this.definitions = definitions;
        this.pass = pass;
    }

    // what is carried as text

    /** Carries a view, routine or trigger as its text. */
    void program(int from, ProgramKind kind, boolean materialized) {
        tokens.at++;
        String body = tokens.accept(Keyword.BODY) ? "\u0000body" : "";
        tokens.accept(Keyword.CONCURRENTLY);
        boolean onlyIfAbsent = tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        int at = tokens.at;
        QName name = definitions.names().qualified();
        if (kind == ProgramKind.VIEW && builder.table(name).isPresent()) {
            if (onlyIfAbsent) {
                pass.over(from, "table that is there already");
                return;
            }
            // views and tables share their names in every engine (ISO/IEC 9075-2, 5.4: they are tables both)
            throw StatementException.conflict(at, "a table " + name.name() + " is there already");
        }
        String key = kind == ProgramKind.VIEW ? builder.key(name)
                : builder.key(name) + "\u0000" + kind + body + signature(kind).orElse("") + table(kind);
        Program known = builder.programs.get(key);
        Program program = new Program(kind, builder.placed(name), name.name(), builder.syntax.engine(),
                tokens.verbatim(from, tokens.limit), List.of(), builder.grants.usual(SecuredObject.of(kind)));
        builder.programs.put(key, known == null ? program : known.worded(program.text()));
        tokens.at = tokens.limit;
    }

    /** What tells a routine from others of its name, if that stands here. */
    private Optional<String> signature(ProgramKind kind) {
        boolean routine = kind == ProgramKind.FUNCTION || kind == ProgramKind.PROCEDURE;
        if (!routine || !tokens.sign('(')) {
            return Optional.empty();
        }
        int at = tokens.at;
        String text = tokens.inRound();
        tokens.at = at;
        return builder.dialect.routineSignature(text).map(types -> "\u0000(" + types);
    }

    /** What tells a trigger or rule from those of other tables, where names differ within the table only. */
    private String table(ProgramKind kind) {
        boolean within = builder.dialect.triggersWithinTable()
                && (kind == ProgramKind.TRIGGER || kind == ProgramKind.RULE);
        Keyword before = kind == ProgramKind.TRIGGER ? Keyword.ON : Keyword.TO;
        int behind = tokens.at;
        while (within && behind < tokens.limit && tokens.word(behind) != before) {
            behind++;
        }
        if (!within || !tokens.isName(behind + 1)) {
            return "";
        }
        int begin = tokens.at;
        tokens.at = behind + 1;
        String table = ofTable(definitions.names().qualified());
        tokens.at = begin;
        return table;
    }

    private String ofTable(QName table) {
        return "\u0000on " + builder.key(table);
    }

    /**
     * Reads what names a program behind the word for its kind, as COMMENT ON and GRANT do; gives the keys of those that
     * are meant.
     */
    List<String> named(ProgramKind kind) {
        QName name = definitions.names().qualified();
        String end = signature(kind).orElse("");
        if (tokens.sign('(')) {
            tokens.skipRound();
        }
        if (tokens.accept(Keyword.ON)) {
            QName table = definitions.names().qualified();
            end = builder.dialect.triggersWithinTable() ? ofTable(table) : "";
        }
        String begin = builder.key(name);
        String last = end;
        return builder.programs.entrySet().stream().filter(entry -> entry.getValue().kind() == kind)
                .map(java.util.Map.Entry::getKey)
                .filter(key -> key.equals(begin) || key.startsWith(begin + "\u0000") && key.endsWith(last)).toList();
    }

    /**
     * CREATE EVENT TRIGGER of PostgreSQL, or an event of MySQL: both act by themselves and say nothing about tables.
     */
    void eventOrTrigger(int from) {
        pass.over(from, "event");
    }

    void alterProgram(int from) {
        boolean view = tokens.is(Keyword.VIEW);
        if (builder.takes(SyntaxRule.ALTER_REDEFINES_PROGRAM)) {
            ProgramKind kind = view ? ProgramKind.VIEW : tokens.is(Keyword.TRIGGER) ? ProgramKind.TRIGGER
                    : tokens.is(Keyword.FUNCTION) ? ProgramKind.FUNCTION : ProgramKind.PROCEDURE;
            program(from, kind, false);
            return;
        }
        if (tokens.accept(Keyword.MATERIALIZED) || view) {
            tokens.accept(Keyword.VIEW);
            tokens.accept(Keyword.IF, Keyword.EXISTS);
            QName name = definitions.names().qualified();
            if (tokens.accept(Keyword.RENAME, Keyword.TO)) {
                String now = tokens.name();
                Optional.ofNullable(builder.programs.remove(builder.key(name)))
                        .ifPresent(program -> builder.programs
                                .put(builder.key(new QName(name.namespace(), now)), program.named(now)));
                return;
            }
        }
        pass.over(from, "change of a view or routine");
    }

    void dropProgram(int from) {
        Keyword kind = tokens.word();
        tokens.at++;
        tokens.accept(Keyword.VIEW);
        tokens.accept(Keyword.BODY);
        if (kind == Keyword.EVENT || !tokens.isName(tokens.at)) {
            pass.over(from, "event");
            return;
        }
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        ProgramKind dropped = kind(kind);
        List<String> gone = new ArrayList<>();
        do {
            gone.addAll(named(dropped));
        } while (tokens.acceptSign(','));
        List<Program> programs = gone.stream().map(builder.programs::remove).toList();
        if (tokens.accept(Keyword.CASCADE)) {
            tokens.acceptReading("CONSTRAINTS");
            programs.forEach(builder::removeDependents);
        } else {
            tokens.accept(Keyword.RESTRICT);
        }
        if (gone.isEmpty()) {
            pass.over(from, "drop of what is not there");
        }
    }

    /** The kind of program that a word of DROP or COMMENT means. */
    static ProgramKind kind(Keyword word) {
        return switch (word) {
            case FUNCTION -> ProgramKind.FUNCTION;
            case PROCEDURE, PROC -> ProgramKind.PROCEDURE;
            case TRIGGER -> ProgramKind.TRIGGER;
            case RULE -> ProgramKind.RULE;
            case PACKAGE -> ProgramKind.PACKAGE;
            default -> ProgramKind.VIEW;
        };
    }
}
