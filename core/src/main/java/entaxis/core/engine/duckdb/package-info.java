/** DuckDB: types, names, scripts, what its catalog rewrites, alterations. */
package entaxis.core.engine.duckdb;
