import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.springframework.asm.ClassReader;
import org.springframework.asm.ClassVisitor;
import org.springframework.asm.ClassWriter;
import org.springframework.asm.Opcodes;

/**
 * Makes the jars of a folder fit for the JVM's start-up cache, which leaves two kinds of classes out: those of signed
 * jars, whose signatures it checks again at each start, and those of Java 5, which it verifies in an older way. The
 * signatures are taken out, as Maven has checked what it downloaded; classes of Java 5 get the stack maps that those of
 * Java 8 have (JVM specification, 4.10.1). Run with the jars on the class path: java -cp 'FOLDER/*' CacheableJars.java
 * FOLDER
 */
final class CacheableJars {
    private static final Pattern SIGNATURE =
            Pattern.compile("META-INF/[^/]+\\.(SF|RSA|DSA|EC)", Pattern.CASE_INSENSITIVE);
    /** Where a class file has its version (JVM specification, 4.1). */
    private static final int VERSION_AT = 7;

    private CacheableJars() { }

    public static void main(String[] arguments) throws IOException {
        List<Path> jars;
        try (Stream<Path> files = Files.list(Path.of(arguments[0]))) {
            jars = files.filter(file -> file.toString().endsWith(".jar")).toList();
        }
        for (Path jar : jars) {
            try (ZipFile zip = new ZipFile(jar.toFile())) {
                if (signed(zip) || old(zip)) {
                    Path written = Files.createTempFile(jar.toAbsolutePath().getParent(), "cacheable", ".tmp");
                    write(zip, written);
                    Files.move(written, jar, StandardCopyOption.REPLACE_EXISTING);
                }
            }
        }
    }

    private static boolean signed(ZipFile zip) {
        return zip.stream().anyMatch(entry -> SIGNATURE.matcher(entry.getName()).matches());
    }

    /** Whether the first class of a jar is one of Java 5; all of a jar come out of one compiler. */
    private static boolean old(ZipFile zip) throws IOException {
        Optional<? extends ZipEntry> first = zip.stream().filter(CacheableJars::isClass).findFirst();
        return first.isPresent() && isOld(zip.getInputStream(first.get()).readNBytes(VERSION_AT + 1));
    }

    private static boolean isClass(ZipEntry entry) {
        return entry.getName().endsWith(".class") && !entry.getName().startsWith("META-INF/")
                && !entry.getName().equals("module-info.class");
    }

    private static boolean isOld(byte[] bytes) {
        return bytes.length > VERSION_AT && bytes[VERSION_AT] == Opcodes.V1_5;
    }

    private static void write(ZipFile zip, Path written) throws IOException {
        try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(written))) {
            List<? extends ZipEntry> kept =
                    zip.stream().filter(entry -> !SIGNATURE.matcher(entry.getName()).matches()).toList();
            for (ZipEntry entry : kept) {
                byte[] bytes = zip.getInputStream(entry).readAllBytes();
                out.putNextEntry(new ZipEntry(entry.getName()));
                out.write(isClass(entry) && isOld(bytes) ? withStackMaps(bytes) : bytes);
                out.closeEntry();
            }
        }
    }

    /** A class with stack maps; one that names types that are not shipped, and so is never used, stays as it is. */
    private static byte[] withStackMaps(byte[] bytes) {
        try {
            return rewritten(bytes);
        } catch (TypeNotPresentException e) {
            return bytes;
        }
    }

    private static byte[] rewritten(byte[] bytes) {
        ClassWriter writer = new ClassWriter(ClassWriter.COMPUTE_FRAMES);
        new ClassReader(bytes).accept(new ClassVisitor(Opcodes.ASM9, writer) {
            @Override
            public void visit(int version, int access, String name, String signature, String parent, String[] faces) {
                super.visit(Opcodes.V1_8, access, name, signature, parent, faces);
            }
        }, ClassReader.SKIP_FRAMES);
        return writer.toByteArray();
    }
}
