/** The data types of ISO/IEC 9075-2 with their parameters, and how people spell them. */
package entaxis.core.type;

