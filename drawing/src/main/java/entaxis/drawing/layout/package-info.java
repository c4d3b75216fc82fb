/** Automatic arrangement of cards. */
package entaxis.drawing.layout;

