/**
 * SQL cut into tokens with their places, by the lexical rules of an engine or of the standard; shared by everything
 * that reads scripts, expressions and what people type.
 */
package entaxis.core.token;
