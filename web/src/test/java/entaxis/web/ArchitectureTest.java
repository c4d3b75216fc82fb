package entaxis.web;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
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

    @Test
    void packagesOfTheCoreFormNoCycles() {
        slices().matching("entaxis.core.(*)..").should().beFreeOfCycles().check(CLASSES);
        slices().matching("entaxis.drawing.(*)..").should().beFreeOfCycles().check(CLASSES);
        slices().matching("entaxis.web.(*)..").should().beFreeOfCycles().check(CLASSES);
    }

    @Test
    void lowerPackagesOfTheCoreDoNotKnowHigherOnes() {
        String[] order = {"token", "expression", "word", "type", "design", "change", "dependency", "schema", "derive",
                "normalize", "sentence", "sql", "reading", "reverse", "reconcile", "migration", "impact", "update"};
        for (int low = 0; low < order.length; low++) {
            for (int high = low + 1; high < order.length; high++) {
                noClasses().that().resideInAPackage("entaxis.core." + order[low] + "..").should().dependOnClassesThat()
                        .resideInAPackage("entaxis.core." + order[high] + "..").check(CLASSES);
            }
        }
    }
}
