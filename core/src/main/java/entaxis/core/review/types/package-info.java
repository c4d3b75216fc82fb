/** Rules about types and values. */
package entaxis.core.review.types;
