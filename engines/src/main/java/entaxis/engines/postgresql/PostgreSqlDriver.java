package entaxis.engines.postgresql;

import entaxis.core.targets.Target;
import entaxis.engines.connection.EngineDriver;
import java.time.Duration;
import java.util.Map;

/** How the driver of PostgreSQL is spoken to. */
public final class PostgreSqlDriver implements EngineDriver {
    @Override
    public Target engine() {
        return Target.POSTGRESQL;
    }

    @Override
    public String addressBeginning() {
        return "jdbc:postgresql:";
    }

    /** PgJDBC documentation, “Connection Parameters”: in seconds. */
    @Override
    public Map<String, String> limits(Duration connecting, Duration answering) {
        String seconds = Long.toString(connecting.toSeconds());
        return Map.of("connectTimeout", seconds, "loginTimeout", seconds, "socketTimeout",
                Long.toString(answering.toSeconds()), "ApplicationName", "Entaxis");
    }
}
