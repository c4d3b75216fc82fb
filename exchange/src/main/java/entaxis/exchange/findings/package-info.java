/** Findings as JSON and SARIF, and policies as JSON. */
package entaxis.exchange.findings;
