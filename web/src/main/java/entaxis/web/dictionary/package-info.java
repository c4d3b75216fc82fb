/** The data dictionary of a design in each of its formats. */
package entaxis.web.dictionary;
