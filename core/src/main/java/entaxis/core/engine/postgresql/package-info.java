/** PostgreSQL. */
package entaxis.core.engine.postgresql;
