/** The catalog and the driver of Oracle Database. */
package entaxis.engines.oracle;
