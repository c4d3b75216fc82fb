package entaxis.web.cli;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The words behind a command, sorted: files, options with a value, options without one. Values of an option that is
 * given again stand on lines of their own.
 *
 * @param wrong what is wrong with them, if anything
 */
record Arguments(List<String> files, Map<String, String> values, Optional<String> wrong) {

    static Arguments of(List<String> words, Set<String> withValue, Set<String> alone) {
        List<String> files = new ArrayList<>();
        Map<String, String> values = new HashMap<>();
        for (int i = 0; i < words.size(); i++) {
            String word = words.get(i);
            if (!word.startsWith("--")) {
                files.add(word);
            } else if (alone.contains(word)) {
                values.put(word, "");
            } else if (withValue.contains(word) && i + 1 < words.size()) {
                values.merge(word, words.get(++i), (before, more) -> before + "\n" + more);
            } else {
                return new Arguments(files, values, Optional.of(withValue.contains(word)
                        ? word + " is followed by a value." : "“" + word + "” is not understood."));
            }
        }
        return new Arguments(List.copyOf(files), Map.copyOf(values), Optional.empty());
    }

    boolean has(String option) {
        return values.containsKey(option);
    }

    Optional<String> value(String option) {
        return Optional.ofNullable(values.get(option));
    }
}
