/** What a sheet shows, as plain geometry: cards with their rows, lines with their ends and labels. */
package entaxis.drawing.scene;

