package entaxis.web.cli;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.review.Rule;
import entaxis.core.review.Rules;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

/** The page about findings tells of each rule, at its level. */
class FindingsDocTest {
    @Test
    void eachRuleIsTold() throws IOException {
        String page = Files.readString(Path.of("../docs/findings.md"));
        assertThat(Rules.ALL.stream().map(Rule::info))
                .allSatisfy(info -> assertThat(page).contains("| `" + info.id() + "` | " + info.level().word() + " |"));
    }
}
