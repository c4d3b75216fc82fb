/** SQLite. */
package entaxis.core.engine.sqlite;
