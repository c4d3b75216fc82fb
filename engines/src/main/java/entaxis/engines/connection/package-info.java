/** How the drivers that come along are spoken to. */
package entaxis.engines.connection;

