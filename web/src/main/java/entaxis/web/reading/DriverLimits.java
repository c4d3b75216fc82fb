package entaxis.web.reading;

import entaxis.core.design.Target;
import java.time.Duration;
import java.util.Map;

/**
 * How each engine's driver is told the longest that it may wait, in its own words and units, as its manual has them.
 */
final class DriverLimits {
    private DriverLimits() { }

    static Map<String, String> of(Target engine, Duration connecting, Duration answering) {
        String connectSeconds = Long.toString(connecting.toSeconds());
        String answerSeconds = Long.toString(answering.toSeconds());
        String connectMillis = Long.toString(connecting.toMillis());
        String answerMillis = Long.toString(answering.toMillis());
        return switch (engine) {
            case POSTGRESQL -> Map.of("connectTimeout", connectSeconds, "loginTimeout", connectSeconds, "socketTimeout",
                    answerSeconds, "ApplicationName", "Entaxis");
            case MARIADB, MYSQL -> Map.of("connectTimeout", connectMillis, "socketTimeout", answerMillis);
            case SQLSERVER ->
                    Map.of("loginTimeout", connectSeconds, "socketTimeout", answerMillis, "connectRetryCount", "0");
            case ORACLE -> Map.of("oracle.net.CONNECT_TIMEOUT", connectMillis, "oracle.jdbc.ReadTimeout", answerMillis,
                    "oracle.net.OUTBOUND_CONNECT_TIMEOUT", connectMillis);
            // 2 is SQLITE_OPEN_READWRITE without SQLITE_OPEN_CREATE
            case SQLITE -> Map.of("open_mode", "2");
            case H2, ISO -> Map.of();
        };
    }
}
