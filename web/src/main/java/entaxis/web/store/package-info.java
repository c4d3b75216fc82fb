/** Designs kept in the database: a snapshot, a journal of every edit after it, and a cache of those that are open. */
package entaxis.web.store;

