/** MariaDB, where it differs from MySQL. */
package entaxis.core.engine.mariadb;

