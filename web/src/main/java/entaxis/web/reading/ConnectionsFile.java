package entaxis.web.reading;

import entaxis.core.targets.Target;
import entaxis.engines.connection.EngineDriver;
import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFilePermission;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * What the file of connections says. Each line that is wrong is told, and hides no other.
 *
 * @param problems what is wrong with it, for the operator; never with an address or a password
 */
record ConnectionsFile(List<ConnectionSettings> connections, List<String> problems) {
    /** Its name in the data folder. */
    static final String NAME = "connections.properties";
    private static final Set<String> PARTS = Set.of("url", "engine", "user", "password", "password-file",
            "password-variable", "schema", "statement-seconds");
    private static final Set<PosixFilePermission> OF_OTHERS =
            Set.of(PosixFilePermission.GROUP_READ, PosixFilePermission.OTHERS_READ);
    private static final Duration STATEMENT_TIME = Duration.ofMinutes(10);

    /** Copies the lists. */
    ConnectionsFile {
        connections = List.copyOf(connections);
        problems = List.copyOf(problems);
    }

    /**
     * Reads the file of a data folder; nothing, if there is none.
     *
     * @param environment where passwords may stand under names that the file gives
     */
    static ConnectionsFile read(Path folder, Map<String, String> environment) {
        Path file = folder.resolve(NAME);
        List<ConnectionSettings> connections = new ArrayList<>();
        List<String> problems = new ArrayList<>();
        if (!Files.isRegularFile(file)) {
            return new ConnectionsFile(connections, problems);
        }
        Map<String, Map<String, String>> named = new TreeMap<>();
        try {
            lines(Files.readString(file, StandardCharsets.UTF_8), named, problems);
        } catch (CharacterCodingException e) {
            problems.add("The file " + NAME + " is not text in UTF-8; save it so.");
        } catch (IOException e) {
            problems.add("The file " + NAME + " cannot be read: " + e.getMessage());
        }
        named.forEach(
                (name, parts) -> settings(name, parts, folder, environment, problems).ifPresent(connections::add));
        if (named.values().stream().anyMatch(parts -> parts.containsKey("password")
                || parts.containsKey("url") && !JdbcAddress.of(parts.get("url")).secrets().isEmpty())) {
            warnOfReaders(file, problems);
        }
        return new ConnectionsFile(connections, problems);
    }

    private static void lines(String text, Map<String, Map<String, String>> named, List<String> problems) {
        String[] lines = text.split("\r\n|\r|\n", -1);
        for (int i = 0; i < lines.length; i++) {
            int first = i;
            StringBuilder logical = new StringBuilder(lines[i]);
            while (continued(lines[i]) && i + 1 < lines.length) {
                logical.append('\n').append(lines[++i]);
            }
            line(logical.toString(), first + 1, named, problems);
        }
    }

    private static boolean continued(String line) {
        String text = line.stripLeading();
        int backslashes = text.length() - text.replaceFirst("\\\\+$", "").length();
        return backslashes % 2 == 1 && !text.startsWith("#") && !text.startsWith("!");
    }

    private static void line(String text, int number, Map<String, Map<String, String>> named, List<String> problems) {
        Properties one = new Properties();
        try {
            one.load(new StringReader(text));
        } catch (IOException | IllegalArgumentException e) {
            problems.add("Line " + number + " of " + NAME
                    + " cannot be read: a backslash in it is not followed by what may stand there. Write \\\\ for a "
                    + "backslash.");
            return;
        }
        one.stringPropertyNames().forEach(key -> {
            int dot = key.lastIndexOf('.');
            if (dot < 1 || !PARTS.contains(key.substring(dot + 1))) {
                problems.add("Line " + number + " of " + NAME + " begins with “" + key
                        + "”, which says nothing here. A line is NAME.url, NAME.engine, NAME.user, NAME.password, "
                        + "NAME.password-file, NAME.password-variable, NAME.schema or NAME.statement-seconds, then = "
                        + "and the value.");
            } else {
                named.computeIfAbsent(key.substring(0, dot), any -> new TreeMap<>()).put(key.substring(dot + 1),
                        one.getProperty(key).strip());
            }
        });
    }

    private static Optional<ConnectionSettings> settings(String name, Map<String, String> parts, Path folder,
            Map<String, String> environment, List<String> problems) {
        String place = "The database “" + name + "” in " + NAME;
        if (!parts.containsKey("url")) {
            problems.add(place + " has no address; add " + name + ".url.");
            return Optional.empty();
        }
        JdbcAddress address = JdbcAddress.of(parts.get("url"));
        Optional<Target> spoken = address.engine();
        if (spoken.isEmpty()) {
            problems.add(place + " has an address that no driver takes. Addresses begin with one of "
                    + JdbcAddress.beginnings() + ".");
            return Optional.empty();
        }
        Optional<Target> engine = parts.containsKey("engine") ? Target.of(parts.get("engine")) : spoken;
        if (engine.flatMap(EngineDriver::of).isEmpty()) {
            problems.add(place + " names no engine that is known here: “" + parts.get("engine") + "”. Leave " + name
                    + ".engine out, or give one of "
                    + EngineDriver.all().stream().map(driver -> driver.engine().word())
                            .collect(Collectors.joining(", ")) + ".");
            return Optional.empty();
        }
        Duration time = STATEMENT_TIME;
        String seconds = parts.getOrDefault("statement-seconds", "");
        if (seconds.matches("[1-9][0-9]{0,5}")) {
            time = Duration.ofSeconds(Long.parseLong(seconds));
        } else if (!seconds.isEmpty()) {
            problems.add(place + ": " + name + ".statement-seconds is a number of seconds; "
                    + STATEMENT_TIME.toSeconds() + " are taken instead.");
        }
        Optional<String> password = password(name, parts, folder, environment, problems);
        return Optional.of(
                new ConnectionSettings(name, engine.get(), address, Optional.ofNullable(parts.get("user")), password,
                Optional.ofNullable(parts.get("schema")).filter(schema -> !schema.isEmpty()), time));
    }

    private static Optional<String> password(String name, Map<String, String> parts, Path folder,
            Map<String, String> environment, List<String> problems) {
        String place = "The database “" + name + "” in " + NAME;
        if (parts.containsKey("password-variable")) {
            Optional<String> value = Optional.ofNullable(environment.get(parts.get("password-variable")));
            if (value.isEmpty()) {
                problems.add(place + ": there is no environment variable “" + parts.get("password-variable")
                        + "”. Set it before Entaxis is started.");
            }
            return value;
        }
        if (parts.containsKey("password-file")) {
            Path file = folder.resolve(parts.get("password-file"));
            try {
                String password = Files.readString(file).replaceFirst("\\R\\z", "");
                warnOfReaders(file, problems);
                return Optional.of(password);
            } catch (IOException e) {
                problems.add(place + ": the file “" + parts.get("password-file") + "” of its password cannot be read.");
                return Optional.empty();
            }
        }
        return Optional.ofNullable(parts.get("password"));
    }

    private static void warnOfReaders(Path file, List<String> problems) {
        PosixFileAttributeView view = Files.getFileAttributeView(file, PosixFileAttributeView.class);
        try {
            if (view != null && view.readAttributes().permissions().stream().anyMatch(OF_OTHERS::contains)) {
                problems.add("Others on this machine can read the passwords in " + file.getFileName()
                        + ". Take that right away: chmod 600 " + file.getFileName());
            }
        } catch (IOException gone) {
            problems.add("The rights of " + file.getFileName() + " cannot be looked at.");
        }
    }
}
