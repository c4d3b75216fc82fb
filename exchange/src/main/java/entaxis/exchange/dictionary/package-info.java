/** The data dictionary as files: out as documents and spreadsheets, and in from the spreadsheets that people keep. */
package entaxis.exchange.dictionary;
