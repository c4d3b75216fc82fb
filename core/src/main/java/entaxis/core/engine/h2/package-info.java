/** H2, which is also the built-in engine. */
package entaxis.core.engine.h2;
