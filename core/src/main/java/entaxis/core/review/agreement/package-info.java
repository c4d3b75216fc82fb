/** Rules about sheets, meanings and agreement. */
package entaxis.core.review.agreement;
