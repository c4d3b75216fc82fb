/**
 * Data dictionaries as people keep them in spreadsheets: what their headings, types and marks mean, and the design that
 * follows.
 */
package entaxis.core.dictionary.reading;
