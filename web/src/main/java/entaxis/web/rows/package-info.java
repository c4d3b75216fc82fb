/** Sample rows of a table, cell by cell, with what the rules say of them. */
package entaxis.web.rows;
