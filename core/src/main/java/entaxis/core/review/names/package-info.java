/** Rules about names. */
package entaxis.core.review.names;
