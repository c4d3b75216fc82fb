package entaxis.web.sheet;

import entaxis.drawing.geometry.Box;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * What brings a page's sheet up to date.
 *
 * @param full    whether it holds everything, so that the page starts over
 * @param lines   SVG of changed lines
 * @param cards   SVG of changed cards
 * @param paper   SVG of the paper below everything
 * @param areas   SVG of the names of subject areas
 * @param removed identities of groups that go
 */
public record SheetPatch(long revision, boolean full, String lines, String cards, String paper, String areas,
        String removed, Optional<Box> bounds) {
    /** From so many cards on, a page first gets only what is legible from afar, and the rest where one looks closer. */
    static final int FAR_FROM = 150;
    private static final Pattern ROWS =
            Pattern.compile("<g class=\"rows\">.*?</g>(?=<rect class=\"edge\")", Pattern.DOTALL);
    /**
     * The title and the ground of a card; its edge becomes the ground's own, so that an outline is made of few parts.
     */
    private static final Pattern TITLE = Pattern.compile("<title>.*?</title>", Pattern.DOTALL);
    private static final Pattern EDGE =
            Pattern.compile("(<rect [^>]*)/>(.*)<rect class=\"edge\"[^>]*fill=\"none\"([^>]*)/>", Pattern.DOTALL);
    private static final Pattern GRIP = Pattern.compile("<path class=\"grip\"[^>]*/>");
    private static final Pattern ENDS = Pattern.compile("<g class=\"ends\".*</g>$", Pattern.DOTALL);


    static SheetPatch whole(Rendering now) {
        boolean far = now.cards().size() > FAR_FROM;
        return new SheetPatch(now.revision(), true,
                far ? outlines(now.lines().values(), ENDS) : String.join("", now.lines().values()),
                far ? outlines(now.cards().values(), ROWS) : String.join("", now.cards().values()), now.paper(),
                now.areas(), "", now.scene().bounds());
    }

    /** Groups without their details, marked so that a page knows that there is more. */
    private static String outlines(Collection<String> groups, Pattern details) {
        StringBuilder outlines = new StringBuilder();
        for (String group : groups) {
            String bare =
                    GRIP.matcher(details.matcher(group).replaceFirst(details == ENDS ? "</g>" : "")).replaceFirst("");
            boolean less = bare.length() < group.length();
            String outline = less && details == ROWS
                    ? EDGE.matcher(TITLE.matcher(bare).replaceFirst("")).replaceFirst("$1$3/>$2") : bare;
            outlines.append(less ? outline.replaceFirst("<g ", "<g data-outline=\"true\" ") : group);
        }
        return outlines.toString();
    }

    static SheetPatch between(Rendering seen, Rendering now) {
        List<String> removed = new ArrayList<>();
        return new SheetPatch(now.revision(), false, changed("l-", seen.lines(), now.lines(), removed),
                changed("c-", seen.cards(), now.cards(), removed),
                now.paper(), now.areas(), String.join(" ", removed), now.scene().bounds());
    }

    private static String changed(String prefix, Map<String, String> seen, Map<String, String> now,
            List<String> removed) {
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
