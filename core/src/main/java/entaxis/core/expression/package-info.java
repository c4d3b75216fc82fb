/** SQL expressions as trees, and whether two wordings of one say the same. */
package entaxis.core.expression;
