package entaxis.web.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import entaxis.core.design.Design;
import entaxis.web.demo.SeedVault;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class EditKindTest {
    private static final Design VAULT = SeedVault.design();
    /** What may be sent in a field that only a script fills. */
    private static final List<String> FIELDS = List.of("entity", "owner", "attribute", "relationship", "side", "part",
            "finding", "rule", "decision", "category", "exclusion", "assumption", "area", "type", "template", "line",
            "note", "picture", "from", "to", "key", "number", "remedy", "by", "x", "y", "cells", "path", "first");

    /** Pages and scripts ask for all kinds that there are, and for no other. */
    @Test
    void pagesAskForEveryKindAndForNoOther() throws IOException {
        Set<String> asked = new TreeSet<>();
        StringBuilder all = new StringBuilder();
        try (Stream<Path> files = Files.walk(Path.of("src/main/resources"))) {
            for (Path file : files.filter(one -> one.toString().matches(".*\\.(html|js)")).toList()) {
                String text = Files.readString(file);
                asked.addAll(words(text));
                all.append(text);
            }
        }
        assertThat(asked).hasSizeGreaterThan(50).filteredOn(word -> EditKind.of(word).isEmpty()).isEmpty();
        assertThat(EditKind.values()).filteredOn(kind -> all.indexOf(kind.word()) < 0).isEmpty();
    }

    /** Words that stand where a page says what is to be done. */
    private static Set<String> words(String text) {
        return Pattern.compile("(?:kind&quot;:&quot;|kind: \"|kind\":\"|name=\"kind\" value=\")([a-z]+\\.[a-z]+)")
                .matcher(text).results().map(found -> found.group(1)).collect(Collectors.toSet());
    }

    /** Whatever a form carries, it is read, refused with a word, or a wrong request; nothing else comes out. */
    @ParameterizedTest
    @EnumSource(EditKind.class)
    void whateverIsSentIsReadOrRefused(EditKind kind) {
        for (String value : List.of("", "x", "e1", "e99", "-7", "99999999999", "1e400", "'; DROP TABLE x", "\0")) {
            Map<String, String> fields = new HashMap<>(Map.of("kind", kind.word(), "value", value));
            FIELDS.forEach(field -> fields.put(field, value));
            try {
                assertThat(EditReader.read(VAULT, new EditForm(fields))).isNotNull();
            } catch (WrongRequest wrong) {
                assertThat(wrong.getMessage()).as("%s %s", kind, value).isNotBlank();
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "entity", "entity.", "entity.fly", "Entity.add", "entity.add "})
    void aWordThatIsNoKindIsAWrongRequest(String word) {
        assertThatThrownBy(() -> EditReader.read(VAULT, new EditForm(Map.of("kind", word))))
                .isInstanceOf(WrongRequest.class).hasMessageContaining("“" + word + "” is no edit");
    }

    @Test
    void onlyReadingMakesAWrongRequest() {
        assertThatThrownBy(() -> WrongRequest.unlessRead("number", "seven", Integer::parseInt))
                .isInstanceOf(WrongRequest.class).hasMessageContaining("number")
                .hasCauseInstanceOf(NumberFormatException.class);
        assertThatThrownBy(() -> WrongRequest.unlessRead("list", () -> List.of().getFirst()))
                .isInstanceOf(WrongRequest.class).hasCauseInstanceOf(NoSuchElementException.class);
        assertThatThrownBy(() -> WrongRequest.unlessRead("list", () -> {
            throw new IllegalStateException("a fault of ours");
        })).isInstanceOf(IllegalStateException.class);
    }
}
