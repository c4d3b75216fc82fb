/** Rules about keys. */
package entaxis.core.review.keys;
