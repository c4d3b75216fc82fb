/** The pages: what each address shows, and what becomes of the forms that pages send. */
package entaxis.web.page;

