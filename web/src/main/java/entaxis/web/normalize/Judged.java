package entaxis.web.normalize;

import entaxis.core.dependency.Verdict;
import entaxis.core.normalize.DependencyLines;
import entaxis.core.normalize.EntityRelation;
import java.util.Optional;

/**
 * The lines about an entity, kept or just typed, and the verdict that follows.
 *
 * @param typing whether the lines are being typed, and may change with the next keystroke
 * @param about  the entity with what the lines say
 */
public record Judged(Standing standing, String text, boolean typing, DependencyLines lines, EntityRelation about,
        Verdict verdict) {
    /** The verdict on an entity, with typed lines in the place of those that are kept, if there are any. */
    public static Judged of(Standing standing, Optional<String> typed) {
        EntityRelation kept = standing.kept();
        String text = typed.orElseGet(() -> String.join("\n", kept.lines()));
        DependencyLines lines = DependencyLines.read(kept, text);
        EntityRelation about = typed.isEmpty() ? kept : kept.stating(lines.dependencies());
        return new Judged(standing, text, typed.isPresent(), lines, about, Verdict.of(about.relation()));
    }
}
