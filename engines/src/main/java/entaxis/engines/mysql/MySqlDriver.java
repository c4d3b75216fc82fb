package entaxis.engines.mysql;

import entaxis.core.targets.Target;
import entaxis.engines.connection.EngineDriver;
import java.time.Duration;
import java.util.Locale;
import java.util.Map;

/** How the driver of MySQL is spoken to. */
public final class MySqlDriver implements EngineDriver {
    @Override
    public Target engine() {
        return Target.MYSQL;
    }

    @Override
    public String addressBeginning() {
        return "jdbc:mysql:";
    }

    /** MariaDB Connector/J documentation, “permitMysqlScheme”: it speaks the same protocol. */
    @Override
    public String address(String given) {
        return "jdbc:mariadb:" + given.substring(addressBeginning().length());
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
