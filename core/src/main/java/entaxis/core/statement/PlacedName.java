package entaxis.core.statement;

import entaxis.core.schema.QualifiedName;

/**
 * A name with the place in the script where it stands.
 *
 * @param place its first sign, counted from 0
 */
public record PlacedName(QualifiedName name, int place) { }
