/** The catalog and the driver of H2. */
package entaxis.engines.h2;
