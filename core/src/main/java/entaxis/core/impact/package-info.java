/** What a change of an element would touch, and the statements that it would need, told before it is made. */
package entaxis.core.impact;



