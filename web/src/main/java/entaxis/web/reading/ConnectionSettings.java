package entaxis.web.reading;

import entaxis.core.targets.Target;
import java.time.Duration;
import java.util.Optional;

/**
 * A database that the operator lets Entaxis use, as the file of connections says it.
 *
 * @param statementTime the longest that one statement of a script may run on it
 */
record ConnectionSettings(String name, Target engine, JdbcAddress address, Optional<String> user,
        Optional<String> password, Optional<String> schema, Duration statementTime) {
    /** Never with the address or the password. */
    @Override
    public String toString() {
        return "connection " + name;
    }

    /** A message of a driver without what is secret in it. */
    String scrubbed(String message) {
        String text = message == null ? "no reason was given"
                : message.replace(address.url(), "…").replace(address.given(), "…");
        if (password.isPresent() && !password.get().isEmpty()) {
            text = text.replace(password.get(), "…");
        }
        for (String secret : address.secrets()) {
            text = text.replace(secret, "…");
        }
        return text.replaceAll("jdbc:\\S+", "…");
    }
}
