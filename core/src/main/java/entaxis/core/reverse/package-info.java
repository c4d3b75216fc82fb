/**
 * Lifts tables into a design: what an engine holds becomes entities, attributes and relationships again. The other way
 * round than {@code derive}.
 */
package entaxis.core.reverse;



