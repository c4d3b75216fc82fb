/** The geometry of a sheet, computed by the server: text measured, cards laid out, lines routed, and written as SVG. */
package entaxis.drawing;
