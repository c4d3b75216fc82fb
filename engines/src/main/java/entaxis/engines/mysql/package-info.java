/** The catalog and the driver of MySQL. */
package entaxis.engines.mysql;
