/** English words as names use them: singular, plural, inside a sentence. */
package entaxis.core.word;

