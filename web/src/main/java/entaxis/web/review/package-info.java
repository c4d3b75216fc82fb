/** Findings about a design, as the margin shows them. */
package entaxis.web.review;
