package entaxis.core.statement;

import java.util.Optional;

/**
 * A statement where it stands in its script.
 *
 * @param start       its first sign, counted from 0
 * @param end         behind its last sign; behind the batch, where statements follow one another without a sign between
 * @param conditional whether it is carried out under a condition that is not worked out
 * @param error       what is not understood behind the part that was understood
 */
public record ScriptStatement(Statement statement, int start, int end, boolean conditional,
        Optional<SyntaxError> error) { }
