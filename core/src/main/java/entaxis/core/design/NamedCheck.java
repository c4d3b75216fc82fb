package entaxis.core.design;

/**
 * A condition on the rows of an entity that looks at more than one attribute.
 *
 * @param name      name of the constraint; empty for one that is proposed
 * @param condition SQL condition over the entity's attributes
 */
public record NamedCheck(String name, String condition) { }
