/** Rules about views and routines that are carried as text. */
package entaxis.core.review.carried;
