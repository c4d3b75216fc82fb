/** Rules about normal forms. */
package entaxis.core.review.forms;
