package entaxis.drawing.pdf;

import entaxis.core.design.DesignProperties;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What stands at the foot of each page.
 *
 * @param facts name and value, such as author, date and revision, in order
 */
public record TitleBlock(String title, List<Fact> facts) {
    /** One fact. */
    public record Fact(String name, String value) { }

    /** Copies the facts. */
    public TitleBlock {
        facts = List.copyOf(facts);
    }

    /** The usual facts of a design; what is not known is left out. */
    public static TitleBlock of(DesignProperties design, LocalDate date, Optional<Long> revision) {
        List<Fact> facts = new ArrayList<>();
        if (!design.author().isBlank()) {
            facts.add(new Fact("Author", design.author()));
        }
        facts.add(new Fact("Date", date.toString()));
        revision.ifPresent(number -> facts.add(new Fact("Revision", Long.toString(number))));
        facts.add(new Fact("For", design.target().title()));
        return new TitleBlock(design.title().isBlank() ? design.name() : design.title(), facts);
    }
}
