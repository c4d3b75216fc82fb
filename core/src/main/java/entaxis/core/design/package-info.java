/**
 * What the designer states: entities with their attributes and keys, relationships with their two ends, sheets, sample
 * rows. Foreign keys are not here: they follow (see {@code derive}).
 */
package entaxis.core.design;

