/**
 * What a script says, statement by statement: immutable records with their places in the text. Names and expressions
 * are as written; what they mean depends on what is there when the statement is carried out.
 */
package entaxis.core.statement;
