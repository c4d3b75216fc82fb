/**
 * The built-in engine, in which designers try their tables: in memory, without administrator's rights, within limits.
 */
package entaxis.engines.trial;
