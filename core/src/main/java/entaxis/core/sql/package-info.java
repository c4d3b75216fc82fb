/** Table definitions written for an engine, and the definitions that people type read. */
package entaxis.core.sql;

