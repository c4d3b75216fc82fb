/** Scenes written as SVG with plain attributes, so that a saved file looks the same everywhere. */
package entaxis.drawing.svg;

