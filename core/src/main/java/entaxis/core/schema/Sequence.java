package entaxis.core.schema;

/**
 * A sequence generator (ISO/IEC 9075-2, 11.72).
 *
 * @param namespace the schema that it was put into; empty for the usual one
 */
public record Sequence(String namespace, String name, long start, long step) { }
