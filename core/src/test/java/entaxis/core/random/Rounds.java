package entaxis.core.random;

/** How many random cases a test tries: as many as a check of every change can wait for, or a multiple of that. */
public final class Rounds {
    private static final int TIMES = Integer.getInteger("entaxis.rounds", 1);

    private Rounds() { }

    /** So many; with {@code -Dentaxis.rounds=10} ten times as many. */
    public static int of(int usual) {
        return Math.multiplyExact(usual, TIMES);
    }
}
