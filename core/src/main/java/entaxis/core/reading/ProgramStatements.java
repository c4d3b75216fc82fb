package entaxis.core.reading;

import entaxis.core.design.ProgramKind;
import entaxis.core.reading.SchemaBuilder.QName;
import entaxis.core.schema.Program;
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
        tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        QName name = definitions.names().qualified();
        String overload = kind == ProgramKind.FUNCTION && tokens.sign('(') ? "\u0000" + kind
                : "\u0000" + (kind == ProgramKind.VIEW ? "" : kind);
        String key = kind == ProgramKind.VIEW ? builder.key(name) : builder.key(name) + overload + body
                + (kind == ProgramKind.FUNCTION && tokens.sign('(') ? signature() : "") + table(kind);
        builder.programs.put(key, new Program(kind, builder.placed(name), name.name(), builder.syntax.engine(),
                tokens.verbatim(from, tokens.limit)));
        tokens.at = tokens.limit;
    }

    /** What tells a trigger or rule from those of other tables, where names differ within the table only. */
    private String table(ProgramKind kind) {
        boolean within = builder.takes(SyntaxRule.TRIGGERS_WITHIN_TABLE)
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

    private String signature() {
        int at = tokens.at;
        String text = tokens.inRound();
        tokens.at = at;
        return builder.syntax.routineSignature(text);
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
                        .ifPresent(program -> builder.programs.put(
                        builder.key(new QName(name.namespace(), now)),
                        new Program(program.kind(), program.namespace(), now, program.target(), program.text())));
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
        List<String> keys = new ArrayList<>();
        do {
            keys.add(builder.key(definitions.names().qualified()));
            if (tokens.sign('(')) {
                tokens.skipRound();
            }
        } while (tokens.acceptSign(','));
        String place = "";
        if (tokens.accept(Keyword.ON)) {
            QName table = definitions.names().qualified();
            place = builder.takes(SyntaxRule.TRIGGERS_WITHIN_TABLE) ? ofTable(table) : "";
        }
        String end = place;
        boolean any = builder.programs.keySet().removeIf(other -> keys.stream().anyMatch(
                key -> other.equals(key) || other.startsWith(key + "\u0000") && other.endsWith(end)));
        if (tokens.accept(Keyword.CASCADE)) {
            tokens.acceptReading("CONSTRAINTS");
        } else {
            tokens.accept(Keyword.RESTRICT);
        }
        if (!any) {
            pass.over(from, "drop of what is not there");
        }
    }
}
