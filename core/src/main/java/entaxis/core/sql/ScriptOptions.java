package entaxis.core.sql;

import java.util.Optional;

/**
 * What a script contains.
 *
 * @param dropFirst whether it begins by dropping what it will create, if that is there
 * @param comments  whether meanings are written as comments on tables and columns
 * @param schema    the schema that everything is put into, and that is created if absent
 */
public record ScriptOptions(boolean dropFirst, boolean comments, Optional<String> schema) {
    /** With comments, without dropping, in the engine's default schema. */
    public static final ScriptOptions USUAL = new ScriptOptions(false, true, Optional.empty());
}
