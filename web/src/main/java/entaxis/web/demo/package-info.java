/** The demo: a made-up seed vault. */
package entaxis.web.demo;

