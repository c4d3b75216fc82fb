/** Rules about indexes. */
package entaxis.core.review.indexes;
