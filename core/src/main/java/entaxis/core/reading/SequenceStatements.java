package entaxis.core.reading;

import entaxis.core.design.Attribute.Identity;
import entaxis.core.design.Attribute.Numbering;
import entaxis.core.reading.SchemaBuilder.QName;
import entaxis.core.reading.SchemaBuilder.ReadSequence;
import entaxis.core.schema.SecuredObject;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Reads CREATE, ALTER and DROP SEQUENCE (ISO/IEC 9075-2, 11.72 to 11.74). */
final class SequenceStatements {
    private final TokenCursor tokens;
    private final SchemaBuilder builder;
    private final DefinitionParsers definitions;
    private final TypeParser types;
    private final StepOver pass;

    SequenceStatements(TokenCursor tokens, SchemaBuilder builder, DefinitionParsers definitions, TypeParser types,
            StepOver pass) {
        this.tokens = tokens;
        this.builder = builder;
        this.definitions = definitions;
        this.types = types;
        this.pass = pass;
    }

    // sequences

    void createSequence(boolean temporary) {
        boolean ifAbsent = tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        int at = tokens.at;
        QName name = definitions.names().qualified();
        if (tokens.accept(Keyword.AS)) {
            types.read();
        }
        int begin = tokens.at;
        int end = begin;
        while (end < tokens.limit && !(builder.takes(SyntaxRule.RUN_ON_STATEMENTS) && starts(end))) {
            end++;
        }
        Numbering numbers = definitions.numbers().sequenceOptions(end);
        if (temporary || ifAbsent && builder.sequence(name).isPresent()) {
            return;
        }
        if (builder.sequence(name).isPresent()) {
            throw StatementException.conflict(at, "a sequence " + name.name() + " is there already");
        }
        QName placed = new QName(builder.placed(name), name.name());
        builder.sequences.put(builder.key(name),
                new ReadSequence(placed, numbers.start(), numbers.step(), Optional.empty(), Optional.empty(), "",
                        builder.grants.usual(SecuredObject.SEQUENCE)));
        owned(name, begin, end);
        tokens.at = end;
    }

    private boolean starts(int token) {
        int at = tokens.at;
        tokens.at = token;
        boolean starts = tokens.startsStatement();
        tokens.at = at;
        return starts;
    }

    /** PostgreSQL manual, CREATE SEQUENCE: OWNED BY. */
    private void owned(QName name, int begin, int end) {
        for (int i = begin; i + 2 < end; i++) {
            if (tokens.word(i) == Keyword.OWNED && tokens.word(i + 1) == Keyword.BY) {
                tokens.at = i + 2;
                if (tokens.is(Keyword.NO) || tokens.reads(tokens.at, "NONE")) {
                    return;
                }
                List<String> parts = new ArrayList<>();
                do {
                    parts.add(tokens.name());
                } while (tokens.acceptSign('.'));
                if (parts.size() < 2) {
                    return;
                }
                QName tableName =
                        new QName(parts.size() > 2 ? parts.get(parts.size() - 3) : "", parts.get(parts.size() - 2));
                builder.table(tableName).ifPresent(
                        table -> table.column(parts.getLast()).ifPresent(column -> own(name, table, column)));
                return;
            }
        }
    }

    private void own(QName name, TableBuilder table, ColumnBuilder column) {
        ReadSequence sequence = builder.sequence(name).map(found -> found.ownedBy(table, column))
                .orElse(new ReadSequence(name, 1, 1, Optional.of(table), Optional.of(column), "", Optional.empty()));
        builder.sequences.put(builder.key(name), sequence);
        if (column.defaultValue.toLowerCase(Locale.ROOT).startsWith("nextval")
                || column.defaultValue.toLowerCase(Locale.ROOT).startsWith("pg_catalog.nextval")) {
            definitions.defaults().setDefault(column, column.defaultValue);
        }
    }

    void alterSequence(int from) {
        tokens.at++;
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        QName name = definitions.names().qualified();
        owned(name, tokens.at, tokens.limit);
        for (int i = from; i + 1 < tokens.limit; i++) {
            if (tokens.word(i) == Keyword.RENAME && tokens.word(i + 1) == Keyword.TO && tokens.isName(i + 2)) {
                String now = tokens.nameAt(i + 2);
                builder.sequence(name).ifPresent(sequence -> {
                    builder.sequences.remove(builder.key(name));
                    QName renamed = new QName(name.namespace(), now);
                    builder.sequences.put(builder.key(renamed), sequence.named(renamed));
                });
                tokens.at = tokens.limit;
                return;
            }
        }
        pass.over(from, "numbering");
    }

    void dropSequence(int from) {
        tokens.at++;
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        do {
            QName name = definitions.names().qualified();
            builder.sequence(name).flatMap(ReadSequence::column).ifPresent(column -> column.identity = Identity.NONE);
            builder.sequences.remove(builder.key(name));
        } while (tokens.acceptSign(','));
        if (!tokens.accept(Keyword.CASCADE)) {
            tokens.accept(Keyword.RESTRICT);
        }
    }
}
