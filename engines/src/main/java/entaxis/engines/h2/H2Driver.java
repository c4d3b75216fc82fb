package entaxis.engines.h2;

import entaxis.core.targets.Target;
import entaxis.engines.connection.EngineDriver;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;

/** How the driver of H2 is spoken to. */
public final class H2Driver implements EngineDriver {
    @Override
    public Target engine() {
        return Target.H2;
    }

    @Override
    public String addressBeginning() {
        return "jdbc:h2:";
    }

    /** H2 manual, “Opening a Database Only if it Already Exists”. */
    @Override
    public String address(String given) {
        return inMemory(given) || given.toUpperCase(Locale.ROOT).contains(";IFEXISTS=") ? given
                : given + ";IFEXISTS=TRUE";
    }

    @Override
    public Optional<Path> file(String address) {
        if (inMemory(address) || address.startsWith("jdbc:h2:tcp:") || address.startsWith("jdbc:h2:ssl:")) {
            return Optional.empty();
        }
        String path =
                address.substring(addressBeginning().length()).replaceFirst("^file:", "").replaceFirst(";.*$", "");
        String home = Matcher.quoteReplacement(System.getProperty("user.home"));
        return Optional.of(Path.of(path.replaceFirst("^~", home) + ".mv.db"));
    }

    private static boolean inMemory(String address) {
        return address.startsWith("jdbc:h2:mem:");
    }
}
