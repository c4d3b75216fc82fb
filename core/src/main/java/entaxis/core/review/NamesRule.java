package entaxis.core.review;

/**
 * A rule that looks at the names of the whole design and at nothing else; what it found is taken again while all names
 * stay.
 */
public interface NamesRule extends Rule { }
