package entaxis.web.cli;

import entaxis.core.targets.Target;
import java.util.Arrays;
import java.util.Iterator;
import picocli.CommandLine.ITypeConverter;
import picocli.CommandLine.TypeConversionException;

/** The engines as the command line calls them. */
final class EngineWords implements Iterable<String>, ITypeConverter<Target> {
    @Override
    public Iterator<String> iterator() {
        return Arrays.stream(Target.values()).map(Target::word).iterator();
    }

    @Override
    public Target convert(String word) {
        return Target.of(word).orElseThrow(() -> new TypeConversionException("There is no engine “" + word
                + "” here. Engines: " + String.join(" ", this)));
    }
}
