/** Relationships as the sentences in which people read them aloud. */
package entaxis.core.sentence;

