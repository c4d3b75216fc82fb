/** What the Normalize desk shows, ready for the page. */
package entaxis.web.normalize;
