package entaxis.web.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * What brings a page's sheet up to date.
 *
 * @param full    whether it holds everything, so that the page starts over
 * @param lines   SVG of changed lines
 * @param cards   SVG of changed cards
 * @param removed identities of groups that go
 */
public record SheetPatch(long revision, boolean full, String lines, String cards, String removed) {

    static SheetPatch whole(Rendering now) {
        return new SheetPatch(now.revision(), true, String.join("", now.lines().values()), String.join("", now.cards().values()), "");
    }

    static SheetPatch between(Rendering seen, Rendering now) {
        List<String> removed = new ArrayList<>();
        return new SheetPatch(now.revision(), false, changed("l-", seen.lines(), now.lines(), removed), changed("c-", seen.cards(), now.cards(), removed),
                String.join(" ", removed));
    }

    private static String changed(String prefix, Map<String, String> seen, Map<String, String> now, List<String> removed) {
        StringBuilder changed = new StringBuilder();
        now.forEach((id, svg) -> {
            if (!svg.equals(seen.get(id))) {
                changed.append(svg);
            }
        });
        seen.keySet().stream().filter(id -> !now.containsKey(id)).map(prefix::concat).forEach(removed::add);
        return changed.toString();
    }
}
