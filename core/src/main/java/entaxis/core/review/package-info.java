/**
 * Findings: the design is checked while it is made. One class a rule, each with what it is about, the evidence, and
 * edits that remedy it.
 */
package entaxis.core.review;
