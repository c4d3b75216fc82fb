/** Pictures in pixels, painted with the bundled fonts. */
package entaxis.drawing.picture;
