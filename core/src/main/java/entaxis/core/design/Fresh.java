package entaxis.core.design;

/** Makes identities for new elements. */
@FunctionalInterface
public interface Fresh {
    /** An identity that was never used; its first letter, the given one, tells the kind. */
    String id(char kind);
}
