/** The catalog and the driver of MariaDB. */
package entaxis.engines.mariadb;
