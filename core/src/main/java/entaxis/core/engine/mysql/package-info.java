/** MySQL, and what MariaDB shares with it. */
package entaxis.core.engine.mysql;

