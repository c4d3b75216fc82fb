package entaxis.core.design;

/** One place in the order of an entity's attributes. */
public sealed interface Member permits Attribute, ForeignColumns { }
