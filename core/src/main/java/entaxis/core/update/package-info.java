/** The way back of reconciling: a design brought to what a database has, with everything else of it kept. */
package entaxis.core.update;
