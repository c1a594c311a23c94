package overturn;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.fields;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaModifier;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.library.Architectures;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** The walls of the core. */
@Tag("walls")
class ArchitectureTest {

    private static final JavaClasses CORE = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("overturn");
    /** Each may know those before it. */
    private static final List<String> ORDER = List.of(
            "words",
            "quantity",
            "numeric",
            "circuit",
            "drawing",
            "layoutfile",
            "suspect",
            "protocol",
            "simulation",
            "measurement",
            "instrument",
            "procedure",
            "catalogue",
            "repair",
            "bleeding",
            "proving",
            "calculation",
            "evidence",
            "forecast",
            "likelihood",
            "inference",
            "planning",
            "verdict",
            "course",
            "learning",
            "practice");

    @Test
    void theCoreKnowsOnlyItselfAndSmallPureLibraries() {
        classes()
                .should()
                .onlyDependOnClassesThat()
                .resideInAnyPackage(
                        "overturn..",
                        "java.lang..",
                        "java.util..",
                        "java.io..",
                        "java.math..",
                        "java.nio.charset..",
                        "org.hipparchus..",
                        "org.jgrapht..",
                        "tools.jackson..",
                        "com.fasterxml.jackson.annotation..",
                        "com.networknt..",
                        "org.jspecify..")
                .check(CORE);
    }

    /** The presets are data and have to be read somewhere; nothing else in the core knows of JSON. */
    @Test
    void onlyLayoutFilesKnowJson() {
        noClasses()
                .that()
                .resideOutsideOfPackage("overturn.layoutfile..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("tools.jackson..", "com.fasterxml..", "com.networknt..")
                .check(CORE);
    }

    @Test
    void packagesPointOneWay() {
        Architectures.LayeredArchitecture layers =
                Architectures.layeredArchitecture().consideringOnlyDependenciesInLayers();
        for (String name : ORDER) {
            layers = layers.layer(name).definedBy("overturn." + name + "..");
        }
        for (int i = 0; i < ORDER.size(); i++) {
            List<String> later = ORDER.subList(i + 1, ORDER.size());
            layers = later.isEmpty()
                    ? layers.whereLayer(ORDER.get(i)).mayNotBeAccessedByAnyLayer()
                    : layers.whereLayer(ORDER.get(i)).mayOnlyBeAccessedByLayers(later.toArray(String[]::new));
        }
        layers.ensureAllClassesAreContainedInArchitecture().check(CORE);
        slices().matching("overturn.(*)..").should().beFreeOfCycles().check(CORE);
    }

    @Test
    void timeAndChanceAreHandedIn() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .belongToAnyOf(java.util.Random.class, java.util.UUID.class)
                .orShould()
                .callMethod(System.class, "currentTimeMillis")
                .orShould()
                .callMethod(System.class, "nanoTime")
                .orShould()
                .callMethod(Math.class, "random")
                .orShould()
                .dependOnClassesThat()
                .resideInAPackage("java.time..")
                .check(CORE);
    }

    @Test
    void nothingIsNamedAfterNothing() {
        noClasses()
                .should()
                .haveNameMatching(".*(Util|Utils|Helper|Manager|Impl|Data|Info)$")
                .check(CORE);
    }

    @Test
    void whatIsSharedIsFinal() {
        fields().that().areStatic().should().haveModifier(JavaModifier.FINAL).check(CORE);
        fields().that()
                .areDeclaredInClassesThat()
                .arePublic()
                .and()
                .areDeclaredInClassesThat()
                .resideOutsideOfPackage("overturn.practice")
                .and()
                .areNotPrivate()
                .should()
                .beFinal()
                .check(CORE);
    }
}
