/**
 * The script that takes a database from one schema to another: each step with what it does to the rows that are there.
 */
package entaxis.core.migration;
