/** The engines that schemas are written for, and what is registered for each of them. */
package entaxis.core.targets;
