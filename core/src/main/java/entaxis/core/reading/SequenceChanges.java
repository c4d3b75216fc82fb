package entaxis.core.reading;

import entaxis.core.expression.Expression;
import entaxis.core.reading.SchemaBuilder.ReadSequence;
import entaxis.core.schema.Identity;
import entaxis.core.schema.SecuredObject;
import entaxis.core.schema.QualifiedName;
import entaxis.core.statement.ScriptStatement;
import entaxis.core.statement.SequenceStatement;
import entaxis.core.statement.SequenceStatement.OwningColumn;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Carries out statements on sequences. */
final class SequenceChanges {
    private final SchemaBuilder builder;
    private final ColumnDefaults defaults;
    private final ReadingLog log;

    SequenceChanges(SchemaBuilder builder, ColumnDefaults defaults, ReadingLog log) {
        this.builder = builder;
        this.defaults = defaults;
        this.log = log;
    }

    /** Carries out a statement; false if it is stepped over. */
    boolean apply(SequenceStatement change, ScriptStatement statement) {
        switch (change) {
            case SequenceStatement.CreateSequence created -> create(created);
            case SequenceStatement.AlterSequence(QualifiedName name, var owner, Optional<String> newName) -> {
                owner.ifPresent(column -> own(name, column));
                if (newName.isEmpty()) {
                    log.steppedOver(statement.start(), "numbering");
                    return false;
                }
                rename(name, new QualifiedName(name.namespace(), newName.get()));
            }
            case SequenceStatement.DropSequences(List<QualifiedName> names) -> names.forEach(name -> {
                builder.sequence(name).flatMap(ReadSequence::column)
                        .ifPresent(column -> column.identity = Identity.NONE);
                builder.sequences.remove(builder.key(name));
            });
        }
        return true;
    }

    private void create(SequenceStatement.CreateSequence created) {
        QualifiedName name = created.name().name();
        boolean there = builder.sequence(name).isPresent();
        if (created.temporary() || created.onlyIfAbsent() && there) {
            return;
        }
        if (there) {
            throw new ConflictException(created.name().place(),
                    "a sequence " + name.name() + " is there already");
        }
        QualifiedName placed = new QualifiedName(builder.placed(name), name.name());
        builder.sequences.put(builder.key(name), new ReadSequence(placed, created.numbering().start(),
                created.numbering().step(), Optional.empty(), Optional.empty(), "",
                builder.grants.usual(SecuredObject.SEQUENCE)));
        created.owner().ifPresent(column -> own(name, column));
    }

    private void own(QualifiedName sequence, OwningColumn owner) {
        builder.table(owner.table()).ifPresent(
                table -> table.column(owner.column()).ifPresent(column -> own(sequence, table, column)));
    }

    private void own(QualifiedName name, TableBuilder table, ColumnBuilder column) {
        ReadSequence sequence = builder.sequence(name).map(found -> found.ownedBy(table, column))
                .orElse(new ReadSequence(name, 1, 1, Optional.of(table), Optional.of(column), "", Optional.empty()));
        builder.sequences.put(builder.key(name), sequence);
        String value = column.defaultValue.map(Expression::text).orElse("").toLowerCase(Locale.ROOT);
        if (value.startsWith("nextval") || value.startsWith("pg_catalog.nextval")) {
            column.defaultValue.ifPresent(given -> defaults.setDefault(column, given));
        }
    }

    private void rename(QualifiedName before, QualifiedName now) {
        builder.sequence(before).ifPresent(sequence -> {
            builder.sequences.remove(builder.key(before));
            builder.sequences.put(builder.key(now), sequence.named(now));
        });
    }
}
