/** Rules about sample rows. */
package entaxis.core.review.rows;
