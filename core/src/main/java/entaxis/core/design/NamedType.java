package entaxis.core.design;

/** A data type that the design defines under a name, for many attributes to share. */
public sealed interface NamedType extends Elements.Element<TypeId> permits Domain, Enumeration, Structure {
    /** The name, as SQL knows it. */
    String name();

    /** What it is for; may be empty. */
    String meaning();
}
