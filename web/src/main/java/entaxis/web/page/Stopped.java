package entaxis.web.page;

/** Ends the writing of a file that nobody wants any more. */
final class Stopped extends RuntimeException {
    private static final long serialVersionUID = 1;
}
