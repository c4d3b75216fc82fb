package entaxis.core.reading;

/** Hears how far the reading of scripts has come. */
@FunctionalInterface
public interface ReadingProgress {
    /** Hears nothing and never stops it. */
    ReadingProgress NONE = (signs, statements) -> true;

    /**
     * Told now and then.
     *
     * @param signs      how many characters of all texts are read
     * @param statements how many statements were begun
     * @return whether to go on
     */
    boolean at(long signs, int statements);
}
