/** The catalog and the driver of SQL Server. */
package entaxis.engines.sqlserver;
