/** The catalog and the driver of SQLite. */
package entaxis.engines.sqlite;
