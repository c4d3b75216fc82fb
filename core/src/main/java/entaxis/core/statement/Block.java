package entaxis.core.statement;

import java.util.List;
import java.util.Optional;

/**
 * An anonymous block, or another statement that carries statements in a text.
 *
 * @param remark what the whole is, where not all that it does is known before it runs
 */
public record Block(List<Part> parts, Optional<String> remark) implements Statement {
    /** Copies the parts. */
    public Block {
        parts = List.copyOf(parts);
    }

    /**
     * A text with its statements.
     *
     * @param text  places of its statements are counted from its beginning
     * @param place where the text begins in the script
     */
    public record Part(String text, int place, List<ScriptStatement> statements) {
        /** Copies the statements. */
        public Part {
            statements = List.copyOf(statements);
        }
    }
}
