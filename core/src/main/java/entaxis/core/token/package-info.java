/** SQL text cut into tokens with their places; shared by everything that reads what people type. */
package entaxis.core.token;

