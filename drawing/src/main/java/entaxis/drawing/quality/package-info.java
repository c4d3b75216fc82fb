/** How good a drawing is to read, in numbers. */
package entaxis.drawing.quality;

