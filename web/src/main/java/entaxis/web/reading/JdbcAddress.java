package entaxis.web.reading;

import entaxis.core.targets.Target;
import entaxis.engines.connection.EngineDriver;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * The address of a database as JDBC writes it.
 *
 * @param given as it stands in the file
 * @param url   as the driver gets it
 */
record JdbcAddress(String given, String url) {
    private static final Pattern SECRET = Pattern.compile(
            "(?i)(?:password|pwd|passphrase|secret|token)\\s*=\\s*([^&;"
                    + ")\\s]+)|://[^/@:]*:([^/@]+)@|jdbc:oracle:thin:[^/@]+/([^@]+)@");

    /** Makes an address ready for the drivers that come along. */
    static JdbcAddress of(String given) {
        String url = given.strip();
        return new JdbcAddress(url, EngineDriver.ofAddress(url).map(driver -> driver.address(url)).orElse(url));
    }

    /** The engine that its beginning names; none if no driver takes it. */
    Optional<Target> engine() {
        return EngineDriver.ofAddress(given).map(EngineDriver::engine);
    }

    /** What addresses begin with, for a message. */
    static String beginnings() {
        return EngineDriver.all().stream().map(EngineDriver::addressBeginning).sorted()
                .collect(Collectors.joining(", "));
    }

    /** The file that must be there, for engines that are a file. */
    Optional<Path> file() {
        try {
            return EngineDriver.ofAddress(given).flatMap(driver -> driver.file(given));
        } catch (InvalidPathException e) {
            return Optional.of(Path.of("?"));
        }
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
