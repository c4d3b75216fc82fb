package entaxis.web.reconcile;

/**
 * How far a script that runs has come.
 *
 * @param number    the statement that runs, from 1
 * @param statement its text
 */
public record Progress(int number, int all, String statement) { }
