/**
 * Work that takes longer than a page may keep anyone waiting: it goes on in a thread of its own, says how far it is,
 * and can be stopped.
 */
package entaxis.web.work;
