package entaxis.web.ledger;

import entaxis.core.derive.Derivation;
import entaxis.core.derive.DerivedColumn;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.KeyPart;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.Partitions;
import entaxis.core.design.SqlName;
import entaxis.core.schema.Identity;
import entaxis.core.schema.TableIndex;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.HierarchyWriter;
import entaxis.core.sql.IndexLineReader;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.TableWriter;
import java.util.ArrayList;
import java.util.List;

/**
 * The keys of an entity, its indexes and its conditions.
 *
 * @param primary      columns of the primary key in rank order
 * @param alternates   alternate keys
 * @param generated    whether the primary key is a number that the engine gives
 * @param proposedName a free name for such a number
 * @param split        by what the rows are split among partitions; empty if they are not
 */
public record KeysLedger(List<Part> primary, List<Alternate> alternates, boolean generated, String proposedName,
        List<IndexRow> indexes, List<RuleRow> rules, String split, List<PartitionRow> partitions) {
    /** One column of a key. */
    public record Part(String part, String name, String type) { }

    /** One alternate key. */
    public record Alternate(int number, List<Part> parts) { }

    /** One index, as text that can be edited. */
    public record IndexRow(int number, String text, String name) { }

    /** One condition, as text that can be edited. */
    public record RuleRow(int number, String text) { }

    /** One partition, as text that can be edited. */
    public record PartitionRow(int number, String text, String name) { }

    /** The keys of an entity. */
    public static KeysLedger of(Design design, Derivation derivation, Entity entity) {
        DerivedTable table = derivation.stated().derived(entity.id()).orElseThrow();
        boolean generated =
                entity.primaryKey().size() == 1 && entity.primaryKey().getFirst() instanceof OwnPart(AttributeId id)
                && entity.attribute(id).map(own -> own.identity() != Identity.NONE).orElse(false);
        boolean idTaken = entity.attributes().stream().anyMatch(attribute -> SqlName.of(attribute.name()).equals("id"));
        List<IndexRow> indexes = new ArrayList<>();
        List<TableIndex> derived = table.table().indexes();
        entity.indexes().forEach(index -> indexes.add(new IndexRow(indexes.size(), IndexLineReader.text(index, table),
                indexes.size() < derived.size() ? derived.get(indexes.size()).name() : "")));
        List<RuleRow> rules = new ArrayList<>();
        entity.checks().forEach(check -> rules.add(new RuleRow(rules.size(), check.name().isEmpty() ? check.condition()
                : "constraint " + check.name() + " check (" + check.condition() + ")")));
        return new KeysLedger(parts(table, entity.primaryKey()),
                entity.alternateKeys().stream().map(key -> new Alternate(key.number(), parts(table, key.parts())))
                        .toList(),
                generated, idTaken ? SqlName.of(entity.name()) + "_id" : "id", indexes, rules,
                entity.partitions().map(own -> own.split().text()).orElse(""), partitions(entity, derivation));
    }

    private static List<PartitionRow> partitions(Entity entity, Derivation derivation) {
        HierarchyWriter writer = new TableWriter(Dialect.of(derivation.design().facts().target()),
                ScriptOptions.DEFAULT).hierarchies();
        List<PartitionRow> rows = new ArrayList<>();
        entity.partitions().map(Partitions::partitions).orElse(List.of())
                .forEach(partition ->
                        rows.add(new PartitionRow(rows.size(), writer.line(partition), partition.name())));
        return rows;
    }

    private static List<Part> parts(DerivedTable table, List<KeyPart> key) {
        List<Part> parts = new ArrayList<>();
        for (KeyPart part : key) {
            for (DerivedColumn column : table.columns()) {
                if (column.path().part().equals(part)) {
                    String id = part instanceof OwnPart(AttributeId attribute) ? attribute.value()
                            : ((InheritedPart) part).relationship().value();
                    parts.add(new Part(id, column.name(), column.column().type().text()));
                }
            }
        }
        return parts;
    }
}
