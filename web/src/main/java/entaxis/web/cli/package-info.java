/** What Entaxis does from the command line, without a server. */
package entaxis.web.cli;
