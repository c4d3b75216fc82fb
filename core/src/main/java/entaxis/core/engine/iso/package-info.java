/** The standard, for engines that keep to it. */
package entaxis.core.engine.iso;
