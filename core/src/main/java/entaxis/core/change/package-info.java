/**
 * Every edit as a value: applied to a design, it gives a new design and the change that takes it back, or a refusal
 * that says why.
 */
package entaxis.core.change;

