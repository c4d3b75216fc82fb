/**
 * What scripts make: their statements carried out one after the other, into a schema. Never fails: a statement that is
 * not understood, or that speaks of what is not there, is reported with its place, and what is stepped over on purpose
 * is named.
 */
package entaxis.core.reading;
