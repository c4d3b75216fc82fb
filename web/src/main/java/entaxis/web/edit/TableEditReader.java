package entaxis.web.edit;

import entaxis.core.change.Change;
import entaxis.core.derive.Derivation;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.Index;
import entaxis.core.design.NamedCheck;
import entaxis.core.design.Partitions.Partition;
import entaxis.core.design.Partitions.Split;
import entaxis.core.design.Partitions;
import entaxis.core.sql.AttributeLine;
import entaxis.core.sql.AttributeLineReader;
import entaxis.core.schema.Partitioning;
import entaxis.core.sql.IndexLineReader;
import entaxis.core.syntax.PartitionLine;
import entaxis.web.store.NewId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Reads edits of keys, indexes and conditions of an entity's table. */
final class TableEditReader {
    private final Design design;
    private final EditForm form;

    TableEditReader(Design design, EditForm form) {
        this.design = design;
        this.form = form;
    }

    EditReading read() {
        return switch (form.kind()) {
            case KEY_SURROGATE -> EditReader.plain(new Change.AddSurrogateKey(form.entity(),
                    new AttributeId(NewId.of('a')), form.value().isBlank() ? "id" : form.value()));
            case KEY_TAKE -> EditReader.plain(new Change.TakeAlternateKey(form.entity(), form.number("value")));
            case TABLE_INDEX -> index();
            case TABLE_RULE -> rule();
            case TABLE_SPLIT -> split();
            case TABLE_PARTITION -> partition();
            default -> throw form.unknown();
        };
    }

    /** One index by its number, or a new one; an empty line deletes it. */
    private EditReading index() {
        Optional<Entity> entity = design.entities().find(form.entity());
        List<Index> indexes = new ArrayList<>(entity.map(Entity::indexes).orElse(List.of()));
        int number = form.text("number").isEmpty() ? indexes.size() : form.number("number");
        if (form.value().isBlank()) {
            if (number < indexes.size()) {
                indexes.remove(number);
            }
            return EditReader.plain(new Change.SetIndexes(form.entity(), indexes));
        }
        Optional<DerivedTable> table = Derivation.of(design).stated().derived(form.entity());
        if (table.isEmpty()) {
            return EditReader.plain(new Change.SetIndexes(form.entity(), indexes));
        }
        return switch (IndexLineReader.read(form.value(), table.get())) {
            case IndexLineReader.NotRead(String message) -> EditReading.Faulty.of("index", message);
            case IndexLineReader.Read(Index index) -> {
                if (number < indexes.size()) {
                    indexes.set(number, index);
                } else {
                    indexes.add(index);
                }
                yield EditReader.plain(new Change.SetIndexes(form.entity(), indexes));
            }
        };
    }

    /**
     * One condition by its number, or a new one, bare or as a whole constraint with its name; an empty line deletes it.
     */
    private EditReading rule() {
        List<NamedCheck> checks =
                new ArrayList<>(design.entities().find(form.entity()).map(Entity::checks).orElse(List.of()));
        int number = form.text("number").isEmpty() ? checks.size() : form.number("number");
        String text = form.value().strip();
        NamedCheck check = new NamedCheck("", text);
        if (text.toLowerCase(Locale.ROOT).startsWith("constraint ")
                || text.toLowerCase(Locale.ROOT).matches("check\\s*\\(.*")) {
            switch (AttributeLineReader.read("x integer " + text)) {
                case AttributeLine.Fault(int line, int column, String message) -> {
                    return EditReading.Faulty.of("rule", message);
                }
                case AttributeLine.Understood(AttributeLine line) ->
                        check = new NamedCheck(line.checkName(), line.check().orElse(""));
            }
        }
        Optional<String> fault = AttributeLineReader.expressionFault(check.condition());
        if (fault.isPresent()) {
            return EditReading.Faulty.of("rule", fault.get());
        }
        if (text.isEmpty()) {
            if (number < checks.size()) {
                checks.remove(number);
            }
        } else if (number < checks.size()) {
            checks.set(number, check);
        } else {
            checks.add(check);
        }
        return EditReader.plain(new Change.SetChecks(form.entity(), checks));
    }

    /** By what the rows are split; an empty line leaves them together, without the partitions. */
    private EditReading split() {
        List<Partition> partitions = partitions().map(Partitions::partitions).orElse(List.of());
        if (form.value().isBlank()) {
            return EditReader.plain(new Change.SetPartitions(form.entity(), Optional.empty()));
        }
        return switch (PartitionLine.readSplit(form.value())) {
            case PartitionLine.NotRead<Partitioning>(String message) -> EditReading.Faulty.of("split", message);
            case PartitionLine.Read<Partitioning>(Partitioning by) -> EditReader.plain(new Change.SetPartitions(
                    form.entity(), Optional.of(new Partitions(Split.of(by), partitions))));
        };
    }

    /** One partition by its number, or a new one; an empty line deletes it. */
    private EditReading partition() {
        Optional<Partitions> known = partitions();
        if (known.isEmpty()) {
            return EditReading.Faulty.of("partition", "Say first by what the rows are split.");
        }
        List<Partition> partitions = new ArrayList<>(known.get().partitions());
        int number = form.text("number").isEmpty() ? partitions.size() : form.number("number");
        if (form.value().isBlank()) {
            if (number < partitions.size()) {
                partitions.remove(number);
            }
            return EditReader.plain(new Change.SetPartitions(form.entity(), Optional.of(known.get().with(partitions))));
        }
        return switch (PartitionLine.read(form.value())) {
            case PartitionLine.NotRead<PartitionLine>(String message) -> EditReading.Faulty.of("partition", message);
            case PartitionLine.Read<PartitionLine>(PartitionLine line) -> {
                Partition partition =
                        new Partition(line.name(), line.of(), line.bound(), line.split().map(Split::of));
                if (number < partitions.size()) {
                    partitions.set(number, partition);
                } else {
                    partitions.add(partition);
                }
                yield EditReader.plain(
                        new Change.SetPartitions(form.entity(), Optional.of(known.get().with(partitions))));
            }
        };
    }

    private Optional<Partitions> partitions() {
        return design.entities().find(form.entity()).flatMap(Entity::partitions);
    }
}
