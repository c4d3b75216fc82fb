package entaxis.web.reading;

import entaxis.core.design.Target;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The address of a database as JDBC writes it.
 *
 * @param given as it stands in the file
 * @param url   as the driver gets it
 */
record JdbcAddress(String given, String url) {
    private static final Map<String,
            Target> BEGINNINGS = Map.of("jdbc:postgresql:", Target.POSTGRESQL, "jdbc:mariadb:", Target.MARIADB,
                    "jdbc:mysql:", Target.MYSQL,
                    "jdbc:sqlite:", Target.SQLITE, "jdbc:h2:", Target.H2, "jdbc:sqlserver:", Target.SQLSERVER,
                    "jdbc:oracle:", Target.ORACLE);
    private static final Pattern SECRET = Pattern.compile(
            "(?i)(?:password|pwd|passphrase|secret|token)\\s*=\\s*([^&;"
                    + ")\\s]+)|://[^/@:]*:([^/@]+)@|jdbc:oracle:thin:[^/@]+/([^@]+)@");

    /**
     * Makes an address ready for the drivers that come along: MySQL is spoken to by MariaDB's driver, which speaks the
     * same protocol (MariaDB Connector/J,
     * “permitMysqlScheme”); a file of H2 or SQLite is opened, never made.
     */
    static JdbcAddress of(String given) {
        String url = given.strip();
        if (url.regionMatches(true, 0, "jdbc:mysql:", 0, 11)) {
            url = "jdbc:mariadb:" + url.substring(11);
        } else if (url.startsWith("jdbc:h2:") && !url.startsWith("jdbc:h2:mem:")
                && !url.toUpperCase(Locale.ROOT).contains(";IFEXISTS=")) {
            url += ";IFEXISTS=TRUE";
        }
        return new JdbcAddress(given.strip(), url);
    }

    /** The engine that its beginning names; none if no driver takes it. */
    Optional<Target> engine() {
        return BEGINNINGS.entrySet().stream()
                .filter(beginning -> given.regionMatches(true, 0, beginning.getKey(), 0, beginning.getKey().length()))
                .findFirst().map(Map.Entry::getValue);
    }

    /** What addresses begin with, for a message. */
    static String beginnings() {
        return String.join(", ", BEGINNINGS.keySet().stream().sorted().toList());
    }

    /** The file that must be there, for engines that are a file. */
    Optional<Path> file() {
        try {
            if (given.startsWith("jdbc:sqlite:")) {
                String path =
                        given.substring("jdbc:sqlite:".length()).replaceFirst("^file:", "").replaceFirst("\\?.*$", "");
                return path.isEmpty() || path.contains(":memory:") ? Optional.empty() : Optional.of(Path.of(path));
            }
            if (given.startsWith("jdbc:h2:") && !given.startsWith("jdbc:h2:mem:") && !given.startsWith("jdbc:h2:tcp:")
                    && !given.startsWith("jdbc:h2:ssl:")) {
                String path = given.substring("jdbc:h2:".length()).replaceFirst("^file:", "").replaceFirst(";.*$", "");
                return Optional.of(Path.of(
                        path.replaceFirst("^~", Matcher.quoteReplacement(System.getProperty("user.home"))) + ".mv.db"));
            }
        } catch (InvalidPathException e) {
            return Optional.of(Path.of("?"));
        }
        return Optional.empty();
    }

    /** Says that the file is not there, if it is not. */
    Optional<String> missing() {
        return file().filter(Files::notExists).map(path -> "There is no file “" + path
                + "”; Entaxis makes none. Check the path, which is looked for from the folder that Entaxis was started "
                + "in.");
    }

    /** What is secret in it. */
    List<String> secrets() {
        List<String> secrets = new ArrayList<>();
        Matcher matcher = SECRET.matcher(given);
        while (matcher.find()) {
            for (int i = 1; i <= matcher.groupCount(); i++) {
                if (matcher.group(i) != null) {
                    secrets.add(matcher.group(i));
                    secrets.add(URLDecoder.decode(matcher.group(i).replaceAll("%(?![0-9a-fA-F]{2})", "%25"),
                            StandardCharsets.UTF_8));
                }
            }
        }
        return secrets;
    }

    @Override
    public String toString() {
        return "an address";
    }
}
