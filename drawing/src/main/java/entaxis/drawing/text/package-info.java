/** How wide text is in the fonts that ship with the application. */
package entaxis.drawing.text;
