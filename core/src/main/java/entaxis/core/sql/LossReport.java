package entaxis.core.sql;

/** Is told what an engine cannot keep of what it is given. */
@FunctionalInterface
public interface LossReport {
    /** Does not care. */
    LossReport IGNORED = words -> { };

    /** Takes a loss in words that can follow the name of what loses. */
    void say(String words);

    /** Takes what the engine cannot do beyond, though all that is there is kept; counts as a loss where nobody asks. */
    default void limit(String words) {
        say(words);
    }
}
