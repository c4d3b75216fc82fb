/** Scripts that were read and wait for the designer to choose what becomes a design. */
package entaxis.web.reading;
