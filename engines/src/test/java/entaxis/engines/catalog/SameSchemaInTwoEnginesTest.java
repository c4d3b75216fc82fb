package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.targets.Target;
import entaxis.engines.catalog.EngineDifferences.Explained;
import entaxis.engines.catalog.EngineDifferences.Rule;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/**
 * Applications ship one schema for several engines: whatever their scripts have apart is explained by a rule. How often
 * each rule explains something stands in {@code docs/two-engines.md}; {@code -Dentaxis.rewrite=true} writes that anew.
 */
class SameSchemaInTwoEnginesTest {
    private static final Path PAGE = Path.of("../docs/two-engines.md");
    /** PostgreSQL folds names that others keep as they were written, so it comes first. */
    private static final Map<String, Target> ENGINES = engines();

    private final List<String> unexplained = new ArrayList<>();
    private final Map<Rule, Integer> counts = new EnumMap<>(Rule.class);
    private final StringBuilder pairs = new StringBuilder();

    private static Map<String, Target> engines() {
        Map<String, Target> engines = new LinkedHashMap<>();
        engines.put("postgresql", Target.POSTGRESQL);
        engines.put("mysql", Target.MYSQL);
        engines.put("sqlite", Target.SQLITE);
        return engines;
    }

    @BeforeAll
    static void fetch() throws IOException, InterruptedException {
        RealScripts.fetch();
    }

    @Test
    void whatDiffersIsExplainedByARule() throws IOException {
        Map<String, Map<String, String>> shipped = new TreeMap<>();
        for (Map.Entry<String, Target> engine : ENGINES.entrySet()) {
            for (RealScripts.Application application : RealScripts.applications(engine.getKey(), engine.getValue())) {
                shipped.computeIfAbsent(application.name(), any -> new LinkedHashMap<>())
                        .put(engine.getKey(), application.text());
            }
        }
        int compared = 0;
        for (Map.Entry<String, Map<String, String>> application : shipped.entrySet()) {
            List<String> engines = List.copyOf(application.getValue().keySet());
            for (int i = 0; i < engines.size(); i++) {
                for (String second : engines.subList(i + 1, engines.size())) {
                    compare(application.getKey(), engines.get(i), application.getValue().get(engines.get(i)), second,
                            application.getValue().get(second));
                    compared++;
                }
            }
        }
        assertThat(unexplained).isEmpty();
        if (RealScripts.OTHERS.isEmpty() && RealScripts.allToBeHad()) {
            assertThat(compared).isGreaterThan(12);
            page();
        }
    }

    private void compare(String name, String first, String firstText, String second, String secondText) {
        Target from = ENGINES.get(first);
        Target to = ENGINES.get(second);
        Map<Rule, Integer> here = new EnumMap<>(Rule.class);
        List<Explained> all = EngineDifferences.of(firstText, from, secondText, to);
        for (Explained one : all) {
            one.rule().ifPresentOrElse(rule -> here.merge(rule, 1, Integer::sum),
                    () -> unexplained.add(name + " " + first + " " + second + ": " + one.difference().part() + " "
                            + one.difference().place() + " " + one.difference().aspect() + ": "
                            + one.difference().from() + " | " + one.difference().to()));
        }
        here.forEach((rule, count) -> counts.merge(rule, count, Integer::sum));
        List<String> words = new ArrayList<>();
        here.forEach((rule, count) -> words.add(rule.what + " " + count));
        pairs.append("| ").append(name).append(" | ").append(from.title()).append(" | ").append(to.title())
                .append(" | ").append(all.size()).append(" | ").append(String.join(", ", words)).append(" |\n");
    }

    private void page() throws IOException {
        StringBuilder page = new StringBuilder("""
                # One schema, two engines

                Applications ship one schema for several engines, each script written by hand. Each pair of scripts
                was read, the first put into the words of the second one's engine, and the two compared. Whatever is
                apart is explained by one of these rules; `SameSchemaInTwoEnginesTest` checks that nothing is left over,
                and that this page tells what it finds. A difference counts as the authors' only where the two scripts
                differ before one is put into the words of the other engine.

                | rule | how often | why |
                |---|---|---|
                """);
        for (Rule rule : counts.keySet()) {
            page.append("| ").append(rule.what).append(" | ").append(counts.get(rule)).append(" | ")
                    .append(rule.why).append(" |\n");
        }
        page.append("\n| application | from | to | differences | by rule |\n|---|---|---|---|---|\n").append(pairs);
        if (Boolean.getBoolean("entaxis.rewrite")) {
            Files.writeString(PAGE, page);
        }
        assertThat(Files.readString(PAGE)).isEqualTo(page.toString());
    }
}
