package entaxis.web.ledger;

import entaxis.core.change.Renaming;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.Naming;
import entaxis.core.schema.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/**
 * The naming policy and what it would change.
 *
 * @param samples  names as the policy makes them now
 * @param proposals names that exist and would change
 */
public record NamingLedger(Naming naming, List<Naming.Grammar> grammars, List<Naming.Letters> letters,
        List<TemplateRow> templates, List<String> samples,
        List<Renaming.Proposal> proposals) {
    private static final int SAMPLES = 6;

    /** One template. */
    public record TemplateRow(String of, String words, String text, String usual) { }

    /** The policy of a design. */
    public static NamingLedger of(Design design, Derivation derivation) {
        Naming naming = design.facts().names();
        List<String> samples = new ArrayList<>();
        for (Table table : derivation.schema().tables()) {
            if (!table.foreignKeys().isEmpty() && !table.knownHierarchy().isPartition()
                    && samples.size() < SAMPLES) {
                samples.add(table.name() + "." + table.foreignKeys().getFirst().columns().getFirst());
                samples.add(table.foreignKeys().getFirst().name());
            }
        }
        return new NamingLedger(naming, List.of(Naming.Grammar.values()), List.of(Naming.Letters.values()),
                Stream.of(Naming.Template.values())
                        .map(template -> new TemplateRow(template.name(), template.words(),
                                naming.templates().getOrDefault(template, ""), template.usual()))
                        .toList(),
                samples,
                Renaming.proposals(design));
    }
}
