/**
 * What two schemas of one engine have apart, what may be a new name for the old, and the schema that follows from
 * decisions on each difference.
 */
package entaxis.core.reconcile;
