package entaxis.web;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaFieldAccess;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import entaxis.core.targets.Target;
import java.util.Arrays;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** Arrows point down only, and the core stays free of everything that is not the job. */
class ArchitectureTest {
    private static final JavaClasses CLASSES =
            new ClassFileImporter().withImportOption(new ImportOption.DoNotIncludeTests())
            .withImportOption(location -> !location.contains("-tests.jar")).importPackages("entaxis");

    @Test
    void allModulesAreLookedAt() {
        for (String module : new String[] {"core", "engines", "drawing", "exchange", "web"}) {
            Assertions
                    .assertThat(CLASSES.stream()
                            .filter(type -> (type.getPackageName() + ".").startsWith("entaxis." + module + ".")))
                    .as(module).hasSizeGreaterThan(2);
        }
    }

    @Test
    void modulesDependDownwardsOnly() {
        layeredArchitecture().consideringOnlyDependenciesInLayers()
                .layer("core").definedBy("entaxis.core..").layer("engines").definedBy("entaxis.engines..")
                .layer("drawing").definedBy("entaxis.drawing..")
                .layer("exchange").definedBy("entaxis.exchange..").layer("web").definedBy("entaxis.web..")
                .whereLayer("web").mayNotBeAccessedByAnyLayer()
                .whereLayer("exchange").mayOnlyBeAccessedByLayers("web")
                .whereLayer("drawing").mayOnlyBeAccessedByLayers("web", "exchange")
                .whereLayer("engines").mayOnlyBeAccessedByLayers("web", "exchange")
                .check(CLASSES);
    }

    @Test
    void theCoreKnowsOnlyTheJdkAndNeitherFilesNorDatabases() {
        noClasses().that().resideInAPackage("entaxis.core..").should().dependOnClassesThat()
                .resideOutsideOfPackages("entaxis.core..", "java.lang..", "java.util..", "java.math..", "java.time..",
                        "java.text..", "java.nio.charset..")
                .check(CLASSES);
    }

    private static final String[] ROOMS_OF_ENGINES = {"entaxis.core.engine..", "entaxis.engines.postgresql..",
        "entaxis.engines.mysql..", "entaxis.engines.mariadb..", "entaxis.engines.sqlite..",
        "entaxis.engines.sqlserver..", "entaxis.engines.oracle..", "entaxis.engines.duckdb..", "entaxis.engines.h2.."};

    /** A switch over the engines counts as well: it looks at the constants too. */
    @Test
    void onlyTheRoomOfAnEngineAsksWhichEngineItIs() {
        DescribedPredicate<JavaFieldAccess> namesEngine = DescribedPredicate.describe("names an engine",
                access -> access.getTargetOwner().isEquivalentTo(Target.class)
                        && Arrays.stream(Target.values()).anyMatch(engine -> engine.name().equals(access.getName())));
        noClasses().that().resideOutsideOfPackages(ROOMS_OF_ENGINES).and().doNotHaveFullyQualifiedName(
                Target.class.getName()).should().accessFieldWhere(namesEngine).check(CLASSES);
        noClasses().that().resideOutsideOfPackages(ROOMS_OF_ENGINES).should().dependOnClassesThat()
                .resideInAnyPackage(ROOMS_OF_ENGINES).check(CLASSES);
    }

    /** What a script says is read without knowing what it does, and without what it is done to. */
    @Test
    void statementsAreReadWithoutTheSchemaThatTheyMake() {
        noClasses().that().resideInAnyPackage("entaxis.core.statement..", "entaxis.core.syntax..").should()
                .dependOnClassesThat().resideInAPackage("entaxis.core.reading..").check(CLASSES);
        noClasses().that().resideInAPackage("entaxis.core.statement..").should().dependOnClassesThat()
                .resideOutsideOfPackages("entaxis.core.statement..", "entaxis.core.expression..",
                        "entaxis.core.schema..", "java.lang..", "java.util..").check(CLASSES);
    }

    @Test
    void packagesOfTheCoreFormNoCycles() {
        slices().matching("entaxis.core.(*)..").should().beFreeOfCycles().check(CLASSES);
        slices().matching("entaxis.drawing.(*)..").should().beFreeOfCycles().check(CLASSES);
        slices().matching("entaxis.web.(*)..").should().beFreeOfCycles().check(CLASSES);
    }

    @Test
    void lowerPackagesOfTheCoreDoNotKnowHigherOnes() {
        String[] order = {"token", "expression", "word", "type", "targets", "schema", "design", "change", "dependency",
            "derive", "normalize", "sentence", "sql", "statement", "syntax", "reading", "reverse", "reconcile",
            "migration", "impact", "update", "engine"};
        for (int low = 0; low < order.length; low++) {
            for (int high = low + 1; high < order.length; high++) {
                noClasses().that().resideInAPackage("entaxis.core." + order[low] + "..").should().dependOnClassesThat()
                        .resideInAPackage("entaxis.core." + order[high] + "..").check(CLASSES);
            }
        }
    }
}
