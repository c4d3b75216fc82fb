/** What an engine holds: tables, columns, keys, foreign keys, checks; engine-neutral and compared by value. */
package entaxis.core.schema;

