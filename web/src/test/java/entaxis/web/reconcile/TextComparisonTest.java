package entaxis.web.reconcile;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.web.reconcile.LinePair.Kind;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class TextComparisonTest {
    private static List<String> lines(List<LinePair> pairs) {
        return pairs.stream().map(pair -> pair.kind() + "|" + pair.from() + "|" + pair.to()).toList();
    }

    @Test
    void aChangedLineStandsBesideWhatItWas() {
        assertThat(lines(TextComparison.of("BEGIN\n  NEW.kept := 1;\nEND", "BEGIN\n  NEW.kept := 2;\nEND")))
                .containsExactly("SAME|BEGIN|BEGIN", "CHANGED|  NEW.kept := 1;|  NEW.kept := 2;", "SAME|END|END");
        assertThat(lines(TextComparison.of("a\nb\nc", "a\nc\nd"))).containsExactly("SAME|a|a", "REMOVED|b|",
                "SAME|c|c", "ADDED||d");
    }

    @Test
    void whatIsWrittenStaysAsItIsWritten() {
        assertThat(lines(TextComparison.of("a < b && '\t'\nx", "a < b && '\t'\ny"))).first()
                .isEqualTo("SAME|a < b && '\t'|a < b && '\t'");
    }

    @Test
    void linesFarFromAChangeAreLeftOut() {
        String text = IntStream.range(0, 40).mapToObj(i -> "line " + i).collect(Collectors.joining("\n"));
        List<LinePair> pairs = TextComparison.of(text, text.replace("line 20", "other"));
        assertThat(lines(pairs)).containsExactly("SKIPPED|18 lines alike|", "SAME|line 18|line 18",
                "SAME|line 19|line 19", "CHANGED|line 20|other", "SAME|line 21|line 21", "SAME|line 22|line 22",
                "SKIPPED|17 lines alike|");
    }

    @Test
    void oneLineIsNotLeftOut() {
        assertThat(lines(TextComparison.of("a\nb\nc\nd\ne\nf\ng\nh", "a\nb\nc\nx\ne\nf\ng\nh"))).containsExactly(
                "SAME|a|a", "SAME|b|b", "SAME|c|c", "CHANGED|d|x", "SAME|e|e", "SAME|f|f", "SKIPPED|2 lines alike|");
    }

    @Test
    void oneLineOrAMissingTextNeedsNoTable() {
        assertThat(TextComparison.of("a > 0", "a > 1")).isEmpty();
        assertThat(TextComparison.of("", "a\nb")).isEmpty();
        assertThat(TextComparison.of("a\nb", " ")).isEmpty();
    }

    /** Read down either side, the pairs are the text of that side. */
    @Test
    void eachSideIsWhole() {
        Random random = new Random(11);
        int whole = 0;
        for (int i = 0; i < 300; i++) {
            List<String> from = new ArrayList<>(random.ints(2 + random.nextInt(12), 0, 5).mapToObj(n -> "l" + n)
                    .toList());
            List<String> to = new ArrayList<>(from);
            Collections.rotate(to, random.nextInt(3));
            to.add(random.nextInt(to.size()), "new");
            List<LinePair> pairs = TextComparison.of(String.join("\n", from), String.join("\n", to));
            if (pairs.stream().noneMatch(pair -> pair.kind() == Kind.SKIPPED)) {
                whole++;
                assertThat(pairs.stream().filter(pair -> pair.kind() != Kind.ADDED).map(LinePair::from))
                        .containsExactlyElementsOf(from);
                assertThat(pairs.stream().filter(pair -> pair.kind() != Kind.REMOVED).map(LinePair::to))
                        .containsExactlyElementsOf(to);
            }
        }
        assertThat(whole).isGreaterThan(100);
    }
}
