/** What a running database holds, read from its catalog. */
package entaxis.engines.catalog;

