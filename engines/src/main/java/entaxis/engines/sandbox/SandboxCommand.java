package entaxis.engines.sandbox;

import java.io.File;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.URISyntaxException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.CodeSource;
import java.util.ArrayList;
import java.util.List;
import java.util.jar.JarFile;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * The command that starts the process of a sandbox: the same virtual machine, with the engine and nothing else of this
 * application on its class path.
 */
final class SandboxCommand {
    private static final Pattern NESTED = Pattern.compile("jar:nested:(.+?)/?!(/?BOOT-INF/lib/[^!]+\\.jar)!/?");

    private SandboxCommand() { }

    static List<String> of(SandboxLimits limits, Path folder) throws IOException {
        List<String> command =
                new ArrayList<>(List.of(Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-Xmx" + limits.heapMegabytes() + "m", "-Xms16m", "-Xss2m", "-XX:MaxMetaspaceSize=96m",
                        "-XX:ReservedCodeCacheSize=32m", "-XX:MaxDirectMemorySize=8m",
                        "-XX:+UseSerialGC", "-XX:TieredStopAtLevel=1", "-XX:-UsePerfData",
                        "-XX:+ExitOnOutOfMemoryError", "-XX:-CreateCoredumpOnCrash", "-XX:ErrorFile=/dev/null",
                        "-Xshare:auto", "-Djava.awt.headless=true", "-Dfile.encoding=UTF-8", "-Dh2.allowedClasses=none",
                        "-Djdk.attach.allowAttachSelf=false", "-XX:+DisableAttachMechanism"));
        command.addAll(List.of("-cp",
                place(SandboxProcess.class, folder) + File.pathSeparator + place(org.h2.Driver.class, folder),
                SandboxProcess.class.getName(),
                Long.toString(limits.statementTime().toMillis()), Integer.toString(limits.heapMegabytes()),
                Integer.toString(limits.rows()), Integer.toString(limits.answerBytes())));
        return command;
    }

    /**
     * The file or folder that a class comes from; a library inside of a packed application is unpacked beside the
     * working folder.
     */
    private static Path place(Class<?> type, Path folder) throws IOException {
        String location =
                Stream.ofNullable(type.getProtectionDomain().getCodeSource()).map(CodeSource::getLocation).findFirst()
                        .orElseThrow(() -> new IOException("it is not known where " + type.getName() + " comes from"))
                        .toString();
        Matcher nested = NESTED.matcher(location);
        try {
            return nested.matches() ? unpacked(Path.of(new URI("file:" + nested.group(1))),
                    nested.group(2).replaceFirst("^/", ""), folder) : Path.of(new URI(location));
        } catch (URISyntaxException e) {
            throw new IOException("“" + location + "” is no place of a file", e);
        }
    }

    private static Path unpacked(Path archive, String library, Path folder) throws IOException {
        Path target = folder.toAbsolutePath().resolveSibling("lib").resolve(Path.of(library).getFileName());
        try (JarFile jar = new JarFile(archive.toFile())) {
            if (Files.notExists(target) || Files.size(target) != jar.getEntry(library).getSize()) {
                Files.createDirectories(target.getParent());
                Path fresh = Files.createTempFile(target.getParent(), "lib", ".new");
                try (InputStream in = jar.getInputStream(jar.getEntry(library))) {
                    Files.copy(in, fresh, StandardCopyOption.REPLACE_EXISTING);
                }
                Files.move(fresh, target, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
            }
        }
        return target;
    }
}
