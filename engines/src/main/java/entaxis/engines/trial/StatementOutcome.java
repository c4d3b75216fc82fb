package entaxis.engines.trial;

/**
 * What became of one statement.
 *
 * @param accepted whether the engine carried it out
 * @param message  the engine's reason where not, or how many rows it touched
 * @param micros   how long it took, in microseconds
 */
public record StatementOutcome(String sql, boolean accepted, String message, long micros) { }
