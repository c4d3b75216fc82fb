/** What the ledger and the contents show, ready for the page. */
package entaxis.web.ledger;

