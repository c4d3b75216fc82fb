/** SQL Server. */
package entaxis.core.engine.sqlserver;
