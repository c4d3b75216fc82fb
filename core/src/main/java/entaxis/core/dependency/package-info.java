/**
 * The theory of dependencies over attribute sets: closures, covers, keys, normal forms, decompositions, and what rows
 * tell of them. One class an algorithm, each with its paper and running time. Nothing here knows of designs: a relation
 * is a name and its attributes in order.
 */
package entaxis.core.dependency;
