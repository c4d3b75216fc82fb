/**
 * One package for each engine: how it writes, what its scripts may say, what its catalog makes of definitions, and how
 * it changes what is there. Others ask by subject; engines are registered in {@code META-INF/services}.
 */
package entaxis.core.engine;
