package entaxis.bench;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.EntityId;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import entaxis.core.random.RandomDesigns;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import entaxis.drawing.layout.AutoLayout;
import entaxis.drawing.scene.Lens;
import entaxis.drawing.scene.Scene;
import entaxis.drawing.scene.SceneMaker;
import entaxis.drawing.text.TextMeasure;
import java.util.Map;
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

/** Arranging a sheet, drawing it from nothing, and drawing it again after one card was moved. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
public class SheetBenchmark {
    private static final Dialect DIALECT = Dialect.of(Target.POSTGRESQL);

    @Param({"50", "300", "1000"})
    private int entities;
    private final TextMeasure measure = new TextMeasure();
    private Design design;
    private Derivation derivation;
    private Scene scene;
    private SceneMaker kept;
    private int step;

    @Setup
    public void make() {
        Design random = RandomDesigns.design(1, entities);
        derivation = Derivation.of(random);
        Map<OwnerId, Place> places = AutoLayout
                .arrange(new SceneMaker(Lens.TABLES, measure).make(random, derivation, random.sheet(), DIALECT));
        design = ((Applied) Editor.apply(random, new Change.PlaceCards(random.sheet().id(), places))).design();
        kept = new SceneMaker(Lens.TABLES, measure);
        scene = kept.make(design, derivation, design.sheet(), DIALECT);
    }

    @Benchmark
    public Map<OwnerId, Place> arrange() {
        return AutoLayout.arrange(scene);
    }

    @Benchmark
    public Scene drawFromNothing() {
        return new SceneMaker(Lens.TABLES, measure).make(design, derivation, design.sheet(), DIALECT);
    }

    @Benchmark
    public Scene drawAfterOneCardWasMoved() {
        EntityId moved = design.entities().list().get(step++ * 7 % entities).id();
        Place place = design.sheet().place(moved).orElseThrow();
        Change change = new Change.PlaceCards(design.sheet().id(),
                Map.of(moved, new Place(place.x() + (step % 2 == 0 ? 12 : -12), place.y())));
        design = ((Applied) Editor.apply(design, change)).design();
        return kept.make(design, derivation, design.sheet(), DIALECT);
    }
}
