/** Sheets as files of their own, in every format. */
package entaxis.drawing.file;
