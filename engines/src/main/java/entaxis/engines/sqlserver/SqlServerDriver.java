package entaxis.engines.sqlserver;

import entaxis.core.targets.Target;
import entaxis.engines.connection.EngineDriver;
import java.time.Duration;
import java.util.Map;

/** How the driver of SQL Server is spoken to. */
public final class SqlServerDriver implements EngineDriver {
    @Override
    public Target engine() {
        return Target.SQLSERVER;
    }

    @Override
    public String addressBeginning() {
        return "jdbc:sqlserver:";
    }

    /** Microsoft JDBC Driver documentation, “Setting the connection properties”. */
    @Override
    public Map<String, String> limits(Duration connecting, Duration answering) {
        return Map.of("loginTimeout", Long.toString(connecting.toSeconds()), "socketTimeout",
                Long.toString(answering.toMillis()), "connectRetryCount", "0");
    }
}
