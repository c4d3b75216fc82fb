/** The Trial desk's sessions with the built-in engine. */
package entaxis.web.trial;
