package entaxis.core.migration;

/**
 * A query that tells beforehand how a step stands with the rows.
 *
 * @param sql  gives one number: how many rows
 * @param loss whether those rows lose values; otherwise they stand in the way, and the step fails unless there are none
 */
public record Question(String sql, boolean loss) { }
