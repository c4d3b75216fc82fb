package entaxis.core.reading;

/** Passes the statement that begins at a token, noting what kind it is. */
@FunctionalInterface
interface StepOver {
    void over(int from, String kind);
}
