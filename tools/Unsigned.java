import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;

/**
 * Takes the signatures out of the jars of a folder. The JVM checks them anew at each start and leaves their classes out of its start-up cache; Maven has checked what it
 * downloaded already. Run as a single file: java Unsigned.java FOLDER
 */
final class Unsigned {
    private static final Pattern SIGNATURE = Pattern.compile("META-INF/[^/]+\\.(SF|RSA|DSA|EC)", Pattern.CASE_INSENSITIVE);

    private Unsigned() { }

    public static void main(String[] arguments) throws IOException {
        List<Path> jars;
        try (Stream<Path> files = Files.list(Path.of(arguments[0]))) {
            jars = files.filter(file -> file.toString().endsWith(".jar")).toList();
        }
        for (Path jar : jars) {
            try (ZipFile zip = new ZipFile(jar.toFile())) {
                if (zip.stream().noneMatch(entry -> SIGNATURE.matcher(entry.getName()).matches())) {
                    continue;
                }
                Path plain = Files.createTempFile(jar.toAbsolutePath().getParent(), "unsigned", ".tmp");
                try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(plain))) {
                    for (ZipEntry entry : zip.stream().filter(entry -> !SIGNATURE.matcher(entry.getName()).matches()).toList()) {
                        out.putNextEntry(new ZipEntry(entry.getName()));
                        zip.getInputStream(entry).transferTo(out);
                        out.closeEntry();
                    }
                }
                Files.move(plain, jar, StandardCopyOption.REPLACE_EXISTING);
            }
        }
    }
}
