package entaxis.bench;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.random.RandomDesigns;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** From a design to its schema, and to the text of its script. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
public class ScriptBenchmark {
    @Param({"50", "300", "1000"})
    private int entities;
    private Design design;

    @Setup
    public void make() {
        design = RandomDesigns.design(1, entities);
    }

    @Benchmark
    public Derivation derive() {
        return Derivation.of(design);
    }

    @Benchmark
    public String deriveAndWrite() {
        return new ScriptWriter(Dialect.of(Target.POSTGRESQL), ScriptOptions.DEFAULT)
                .write(Derivation.of(design).schema(), "bench").text();
    }
}
