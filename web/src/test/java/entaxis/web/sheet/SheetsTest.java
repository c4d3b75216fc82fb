package entaxis.web.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.random.RandomChanges;
import entaxis.core.random.RandomDesigns;
import entaxis.drawing.scene.Lens;
import entaxis.web.store.OpenDesign;
import entaxis.web.store.UndoHistory;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

class SheetsTest {
    private static final Pattern GROUP =
            Pattern.compile("<g id=\"([cl]-[^\"]+)\".*?(?=<g id=\"[cl]-|$)", Pattern.DOTALL);

    private static Map<String, String> groups(String svg) {
        Map<String, String> groups = new LinkedHashMap<>();
        GROUP.matcher(svg).results().forEach(group -> groups.put(group.group(1), group.group()));
        return groups;
    }

    /** What a page does with a patch: starts over or not, drops what went, puts what changed. */
    private static void apply(Map<String, String> page, SheetPatch patch) {
        if (patch.full()) {
            page.clear();
        }
        for (String removed : patch.removed().split(" ")) {
            page.remove(removed);
        }
        page.putAll(groups(patch.lines()));
        page.putAll(groups(patch.cards()));
    }

    private static final PictureStore NO_PICTURES = new PictureStore(new PictureMapper() {
        @Override
        public Optional<PictureRow> picture(String content) {
            return Optional.empty();
        }

        @Override
        public void insertPicture(String content, String type, byte[] bytes) {
            throw new AssertionError("no picture is kept here");
        }
    });

    /**
     * Two pages, one that follows every edit and one that looks only now and then, end with the very drawing that a
     * fresh page gets.
     */
    @Test
    void patchesBringAnyPageUpToDate() {
        for (Lens lens : Lens.values()) {
            Sheets sheets = new Sheets(NO_PICTURES);
            Design design = RandomDesigns.design(21, 14);
            OpenDesign open = new OpenDesign("d1", 0, design, Derivation.of(design), UndoHistory.NONE);
            Map<String, String> steady = new LinkedHashMap<>();
            Map<String, String> lazy = new LinkedHashMap<>();
            apply(steady, sheets.whole(open, lens, open.design().sheet()));
            apply(lazy, sheets.whole(open, lens, open.design().sheet()));
            long lazySeen = 0;
            Random random = new Random(21);
            boolean partial = false;
            for (int i = 0; i < 150; i++) {
                if (Editor.apply(open.design(), RandomChanges.change(open.design(), random,
                        "n" + i)) instanceof Applied(Design next, var inverse)) {
                    OpenDesign after = new OpenDesign("d1", open.revision() + 1, next,
                            Derivation.after(open.derivation(), next), UndoHistory.NONE);
                    SheetPatch patch = sheets.patch(after, lens, after.design().sheet(), open.revision());
                    partial |= !patch.full() && groups(patch.cards()).size() < next.entities().size();
                    apply(steady, patch);
                    if (random.nextInt(12) == 0) {
                        apply(lazy, sheets.patch(after, lens, after.design().sheet(), lazySeen));
                        lazySeen = after.revision();
                    }
                    open = after;
                }
            }
            apply(lazy, sheets.patch(open, lens, open.design().sheet(), lazySeen));
            Map<String, String> fresh = new LinkedHashMap<>();
            apply(fresh, sheets.whole(open, lens, open.design().sheet()));
            assertThat(steady).isEqualTo(fresh);
            assertThat(lazy).isEqualTo(fresh);
            assertThat(partial).isTrue();
        }
    }

    @Test
    void aPageThatShowsARevisionNobodyRemembersStartsOver() {
        Design design = RandomDesigns.design(1, 5);
        SheetPatch patch =
                new Sheets(NO_PICTURES).patch(new OpenDesign("d1", 9, design, Derivation.of(design), UndoHistory.NONE),
                        Lens.CONCEPT, design.sheet(), 3);
        assertThat(patch.full()).isTrue();
        assertThat(groups(patch.cards())).hasSizeGreaterThanOrEqualTo(5);
    }
}
