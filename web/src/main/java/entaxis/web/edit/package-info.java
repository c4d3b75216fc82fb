/** Edits on their way in: a form that a page sent, read as one change. */
package entaxis.web.edit;

