/** Points, boxes and sides of a sheet. */
package entaxis.drawing.geometry;
