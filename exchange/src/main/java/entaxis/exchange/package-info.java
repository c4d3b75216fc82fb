/** Designs and changes as files and text: JSON. */
package entaxis.exchange;

