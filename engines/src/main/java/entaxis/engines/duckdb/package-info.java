/** The catalog and the driver of DuckDB. */
package entaxis.engines.duckdb;
