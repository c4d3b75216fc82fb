package entaxis.exchange.dictionary;

/** Is told how far the writing of a dictionary is. What it throws ends the writing. */
@FunctionalInterface
public interface WritingProgress {
    /** Nobody watches. */
    WritingProgress UNWATCHED = (done, all) -> { };

    /**
     * Is told before each part of the work.
     *
     * @param done how many parts, such as entities, are written
     * @param all  how many there are
     */
    void at(int done, int all);
}
