/** What pages show of a sheet: its groups of SVG, and which of them an edit changed. */
package entaxis.web.sheet;

