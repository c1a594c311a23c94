package overturn.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.methods;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.transaction.annotation.Transactional;

/** The walls of the application. */
@Tag("walls")
class ArchitectureTest {

    private static final JavaClasses APP = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("overturn.app");

    @Test
    void whatIsKeptKnowsNoFramework() {
        noClasses()
                .that()
                .resideInAnyPackage(
                        "overturn.app.job..",
                        "overturn.app.layout..",
                        "overturn.app.vehicle..",
                        "overturn.app.workshop..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "org.springframework..",
                        "tools.jackson..",
                        "java.sql..",
                        "..app.store..",
                        "..app.usecase..",
                        "..app.api..")
                .check(APP);
    }

    /** Making a picture small is a service of Spring's; what a picture is knows neither Spring nor where it is kept. */
    @Test
    void aPictureKnowsNeitherItsStoreNorWhoAsksForIt() {
        noClasses()
                .that()
                .resideInAPackage("overturn.app.photo..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "tools.jackson..",
                        "java.sql..",
                        "org.springframework.web..",
                        "..app.store..",
                        "..app.usecase..",
                        "..app.api..",
                        "..app.job..")
                .check(APP);
    }

    @Test
    void theApiAndTheStoreNeverMeet() {
        noClasses()
                .that()
                .resideInAPackage("..app.api..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("..app.store..")
                .check(APP);
        noClasses()
                .that()
                .resideInAPackage("..app.store..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("..app.api..", "..app.usecase..")
                .check(APP);
    }

    @Test
    void sqlIsSpokenInTheStoreOnly() {
        noClasses()
                .that()
                .resideOutsideOfPackage("..app.store..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("org.springframework.jdbc..", "java.sql..")
                .check(APP);
        classes()
                .that()
                .resideInAPackage("..app.store..")
                .and()
                .areTopLevelClasses()
                .and()
                .doNotHaveSimpleName("package-info")
                .should()
                .bePackagePrivate()
                .check(APP);
    }

    @Test
    void transactionsBeginInUseCasesOnly() {
        methods()
                .that()
                .areAnnotatedWith(Transactional.class)
                .should()
                .beDeclaredInClassesThat()
                .resideInAPackage("..app.usecase..")
                .check(APP);
        noClasses()
                .that()
                .resideOutsideOfPackages("..app.usecase..", "..app.demo..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("org.springframework.transaction.support..")
                .check(APP);
    }
}
