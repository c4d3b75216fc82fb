/** The data dictionary: a whole design as a document, for those who build and use its tables. */
package entaxis.core.dictionary;
