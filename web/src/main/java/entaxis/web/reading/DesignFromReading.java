package entaxis.web.reading;

import entaxis.core.design.Design;
import entaxis.core.design.DesignProperties;
import entaxis.core.design.Paper;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.reading.Reading;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reverse.Bridges;
import entaxis.core.reverse.Proposal;
import entaxis.core.reverse.References;
import entaxis.core.reverse.ReverseEngineering;
import entaxis.core.reverse.ReversedDesign;
import entaxis.core.reverse.ReversedRows;
import entaxis.core.reverse.Subjects;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.update.DesignLosses;
import entaxis.drawing.layout.FirstSheet;
import entaxis.drawing.text.TextMeasure;
import entaxis.web.store.NewId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/** A reading on its way to a design. */
public final class DesignFromReading {
    private static final TextMeasure MEASURE = new TextMeasure();

    private DesignFromReading() { }

    /**
     * What can be chosen.
     *
     * @param schema    the tables in ISO words
     * @param bridges   labels of tables that can become a many-to-many
     * @param proposals references that exist only by name
     */
    public record Choices(Schema schema, List<String> bridges, List<Proposal> proposals) { }

    /** What a reading leaves to choose. */
    public static Choices choices(Reading reading) {
        Schema schema = IsoNormalizer.of(reading.schema(), Dialect.of(reading.engine()));
        return new Choices(schema, Bridges.of(schema), References.proposed(schema));
    }

    /** The design of the chosen tables, laid out on its first sheet. */
    public static ReversedDesign design(Reading reading, String name, Set<String> tables, Set<String> bridges,
            Set<String> proposals) {
        return design(reading, name, tables, bridges, proposals, design -> FirstSheet.arranged(design, MEASURE));
    }

    /** The design of all tables, spread on its sheet without a look at it. */
    public static ReversedDesign unarranged(Reading reading, String name, Set<String> tables) {
        return design(reading, name, tables, Set.of(), Set.of(), FirstSheet::spread);
    }

    private static ReversedDesign design(Reading reading, String name, Set<String> tables, Set<String> bridges,
            Set<String> proposals, UnaryOperator<Design> laidOut) {
        Choices choices = choices(reading);
        Schema schema = choices.schema();
        Schema accepted = References.accepted(schema, choices.proposals().stream()
                .filter(proposal -> proposals.contains(proposal.id()) && tables.contains(proposal.table())).toList());
        Schema chosen = accepted
                .over(accepted.tables().stream().filter(table -> tables.contains(table.label())).toList());
        DesignProperties facts = DesignProperties.begun(name, reading.engine(), name, "");
        Sheet sheet = new Sheet(new SheetId(NewId.of('p')), "Sheet 1", Paper.DEFAULT, Map.of());
        ReversedDesign reversed = ReverseEngineering.reverse(chosen, facts, sheet, bridges, NewId::of);
        Design arranged = laidOut.apply(Subjects.assigned(reversed.design(), NewId::of));
        Dialect dialect = Dialect.of(reading.engine());
        Set<String> taken = tables.stream().map(table -> table.toLowerCase(Locale.ROOT)).collect(Collectors.toSet());
        Schema there = reading.schema().over(reading.schema().tables().stream()
                .filter(table -> taken.contains(table.label().toLowerCase(Locale.ROOT))).toList());
        List<String> remarks = new ArrayList<>(reversed.remarks());
        remarks.addAll(DesignLosses.of(reversed, EngineSchema.of(there, reading.engine(), dialect), dialect));
        return new ReversedDesign(ReversedRows.with(arranged, chosen, reading.rows(), NewId::of), remarks);
    }
}
