/** Oracle Database. */
package entaxis.core.engine.oracle;
