/** The dependency diagram: attributes in a row, and what decides about what. */
package entaxis.drawing.dependency;
