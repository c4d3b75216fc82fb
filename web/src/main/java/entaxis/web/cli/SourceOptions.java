package entaxis.web.cli;

import entaxis.core.targets.Target;
import java.util.Optional;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** The options that say how a source is read. */
final class SourceOptions {
    @Option(names = "--engine", paramLabel = "E", completionCandidates = EngineWords.class,
            description = "The engine of a script: ${COMPLETION-CANDIDATES}.")
    private Optional<Target> engine;

    @Mixin
    private DataFolder data;

    Optional<Target> engine() {
        return engine;
    }

    DataFolder data() {
        return data;
    }
}
