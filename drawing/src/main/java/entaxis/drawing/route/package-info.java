/** Orthogonal lines between cards that stay where they were put. */
package entaxis.drawing.route;

