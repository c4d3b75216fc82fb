/** Sheets and diagrams as PDF: vectors, the bundled fonts, text that can be searched, on paper of any size. */
package entaxis.drawing.pdf;
