package entaxis.web.store;

import java.security.SecureRandom;

/** Makes opaque identities: a letter for the kind, then ten random letters and digits. */
public final class NewId {
    private static final String ALPHABET = "0123456789abcdefghijklmnopqrstuvwxyz";
    private static final SecureRandom RANDOM = new SecureRandom();

    private NewId() { }

    /** A fresh identity of a kind. */
    public static String of(char kind) {
        StringBuilder id = new StringBuilder().append(kind);
        for (int i = 0; i < 10; i++) {
            id.append(ALPHABET.charAt(RANDOM.nextInt(ALPHABET.length())));
        }
        return id.toString();
    }
}
