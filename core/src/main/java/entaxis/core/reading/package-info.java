/**
 * Reads table definitions: scripts and dumps of every engine, statement by statement, into a schema. Hand-written, in
 * linear time, never failing: what is not understood is reported with its place, and what is stepped over on purpose is
 * named.
 */
package entaxis.core.reading;



