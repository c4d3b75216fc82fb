/** Migrations carried out: on a connection, or in the built-in engine to see what would happen. */
package entaxis.engines.migration;
