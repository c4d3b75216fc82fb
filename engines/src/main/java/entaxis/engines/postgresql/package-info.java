/** The catalog and the driver of PostgreSQL. */
package entaxis.engines.postgresql;
