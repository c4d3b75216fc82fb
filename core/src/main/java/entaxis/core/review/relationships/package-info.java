/** Rules about relationships. */
package entaxis.core.review.relationships;
