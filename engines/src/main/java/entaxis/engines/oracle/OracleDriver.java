package entaxis.engines.oracle;

import entaxis.core.targets.Target;
import entaxis.engines.connection.EngineDriver;
import java.time.Duration;
import java.util.Map;

/** How the driver of Oracle is spoken to. */
public final class OracleDriver implements EngineDriver {
    @Override
    public Target engine() {
        return Target.ORACLE;
    }

    @Override
    public String addressBeginning() {
        return "jdbc:oracle:";
    }

    /** Oracle JDBC API reference, OracleConnection: in milliseconds. */
    @Override
    public Map<String, String> limits(Duration connecting, Duration answering) {
        String millis = Long.toString(connecting.toMillis());
        return Map.of("oracle.net.CONNECT_TIMEOUT", millis, "oracle.jdbc.ReadTimeout",
                Long.toString(answering.toMillis()), "oracle.net.OUTBOUND_CONNECT_TIMEOUT", millis);
    }
}
