/**
 * Scripts and dumps of every engine split into statements and read. Hand-written, in linear time, never
 * failing: what is not understood becomes a statement that says so, with its place. What statements do to a schema is
 * not known here.
 */
package entaxis.core.syntax;
