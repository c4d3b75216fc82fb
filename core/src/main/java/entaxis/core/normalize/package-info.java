/**
 * Dependency theory brought to a design: an entity's table as a relation, what is proposed in the place of it, and the
 * edit that carries the proposal out.
 */
package entaxis.core.normalize;
