package fairkettle.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import fairkettle.server.ledger.Ledger;
import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.springframework.web.bind.annotation.RestController;

/** The rules of the house, held by the build. */
class ArchitectureTest {

    private static final String[] CORE = {
        "fairkettle.ink..",
        "fairkettle.machine..",
        "fairkettle.path..",
        "fairkettle.changeover..",
        "fairkettle.procedure..",
        "fairkettle.safety..",
        "fairkettle.sheet..",
        "fairkettle.check..",
        "fairkettle.routine..",
        "fairkettle.round..",
        "fairkettle.clinic..",
        "fairkettle.benchwork..",
        "fairkettle.practice..",
        "fairkettle.hand..",
        "fairkettle.books..",
        "fairkettle.job..",
        "fairkettle.typed.."
    };

    private static final JavaClasses ALL = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .withImportOption(place -> !place.contains("-tests.jar")) // why: the core's tests come packed as well
            .importPackages("fairkettle");

    @Test
    void theCoreDependsOnNothingButTheJdk() {
        classes()
                .that()
                .resideInAnyPackage(CORE)
                .should()
                .onlyDependOnClassesThat()
                .resideInAnyPackage(concat(CORE, "java..", "org.jspecify.."))
                .check(ALL);
    }

    @Test
    void theCoreReadsNoClockFileOrNetwork() {
        noClasses()
                .that()
                .resideInAnyPackage(CORE)
                .should()
                .callMethod(Instant.class, "now")
                .orShould()
                .callMethod(Clock.class, "systemUTC")
                .orShould()
                .dependOnClassesThat()
                .resideInAnyPackage("java.io..", "java.net..", "java.nio.file..", "java.sql..")
                .check(ALL);
    }

    @Test
    void theCoresPackagesHaveNoCycles() {
        slices().matching(
                        "fairkettle.(ink|machine|path|safety|procedure|changeover|sheet|check|routine|round|benchwork|clinic|practice|hand|books|job|typed)..")
                .should()
                .beFreeOfCycles()
                .check(ALL);
    }

    @Test
    void theServersPackagesHaveNoCycles() {
        slices().matching("fairkettle.server.(*)..").should().beFreeOfCycles().check(ALL);
    }

    @Test
    void onlyTheJournalWritesIntoTheLog() {
        noClasses()
                .that()
                .resideOutsideOfPackages("..server.ledger..", "..server.journal..")
                .should()
                .callMethod(Ledger.class, "record", Ledger.NewEntry.class, List.class)
                .orShould()
                .callMethod(Ledger.class, "contra", Ledger.NewEntry.class)
                .check(ALL);
    }

    @Test
    void onlyWhatRemembersSpeaksSql() {
        noClasses()
                .that()
                .areAnnotatedWith(RestController.class)
                .and()
                .resideOutsideOfPackage("..log..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("fairkettle.db..")
                .check(ALL);
    }

    @Test
    void readingAndStandInsDoNotKnowEachOther() {
        noClasses()
                .that()
                .resideInAPackage("fairkettle.imaging..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("fairkettle.standin..")
                .check(ALL);
        noClasses()
                .that()
                .resideInAPackage("fairkettle.standin..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("fairkettle.imaging..", "fairkettle.server..")
                .check(ALL);
    }

    @Test
    void onlyDemoAndPracticeKnowThatMachinesAreSimulated() {
        noClasses()
                .that()
                .resideInAPackage("fairkettle..")
                .and()
                .resideOutsideOfPackages("fairkettle.standin..", "..server.demo..", "..server.practice..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("fairkettle.standin..")
                .check(ALL);
    }

    @Test
    void theClinicCannotReachTheMachinesItIsMeasuredOn() {
        noClasses()
                .that()
                .resideInAnyPackage("fairkettle.clinic..", "..server.clinic..")
                .should()
                .transitivelyDependOnClassesThat()
                .resideInAPackage("fairkettle.standin..")
                .check(ALL);
    }

    @Test
    void nobodyDependsOnTheDemo() {
        noClasses()
                .that()
                .resideOutsideOfPackage("..server.demo..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("..server.demo..")
                .check(ALL);
    }

    @Test
    void controllersArePrivateToTheirFeature() {
        classes()
                .that()
                .areAnnotatedWith(RestController.class)
                .should()
                .bePackagePrivate()
                .check(ALL);
    }

    private static String[] concat(String[] some, String... more) {
        return Stream.concat(Arrays.stream(some), Arrays.stream(more)).toArray(String[]::new);
    }
}
