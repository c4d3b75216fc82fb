package entaxis.core.design;



/**
 * A view, routine or trigger: not looked into.
 *
 * @param target the engine in whose words it is written; in the scripts of others it is left out
 * @param text   the statement that creates it, without the sign that ends it
 */
public record OpaqueProgram(OpaqueId id, ProgramKind kind, String namespace, String name, Target target, String text)
        implements OpaqueObject { }
