package entaxis.engines.mariadb;

import entaxis.core.targets.Target;
import entaxis.engines.connection.EngineDriver;
import java.time.Duration;
import java.util.Locale;
import java.util.Map;

/** How the driver of MariaDB is spoken to. */
public final class MariaDbDriver implements EngineDriver {
    @Override
    public Target engine() {
        return Target.MARIADB;
    }

    @Override
    public String addressBeginning() {
        return "jdbc:mariadb:";
    }

    /** MariaDB Connector/J documentation, “Optional URL Parameters”: in milliseconds. */
    @Override
    public Map<String, String> limits(Duration connecting, Duration answering) {
        return Map.of("connectTimeout", Long.toString(connecting.toMillis()), "socketTimeout",
                Long.toString(answering.toMillis()));
    }

    /** Either may answer for the other: one may be taken for the other's place. */
    @Override
    public boolean isProduct(String name) {
        String small = name.toLowerCase(Locale.ROOT);
        return small.contains("mysql") || small.contains("mariadb");
    }
}
