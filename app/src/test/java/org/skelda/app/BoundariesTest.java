package org.skelda.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.core.importer.Location;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.time.Instant;

@AnalyzeClasses(
        packages = "org.skelda",
        importOptions = {ImportOption.DoNotIncludeTests.class, BoundariesTest.Written.class})
class BoundariesTest {

    /** What people wrote: the context's plan, which a build makes beside it, joins all rooms by its nature. */
    static final class Written implements ImportOption {
        @Override
        public boolean includes(Location location) {
            return !location.contains("__") && !location.contains("$$");
        }
    }

    @ArchTest
    static final ArchRule NO_CYCLES = slices().matching("org.skelda.(**)")
            .should()
            .beFreeOfCycles()
            .because("each room, in whichever module, can be read without those that use it");

    @ArchTest
    static final ArchRule FORMATS_WITHOUT_FRAMEWORK = noClasses()
            .that()
            .resideInAPackage("org.skelda.formats..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("org.springframework..", "jakarta..", "org.skelda.app..")
            .because("the command line reads the same files without a server");

    @ArchTest
    static final ArchRule ONE_CLOCK = noClasses()
            .that()
            .resideInAPackage("org.skelda.app..")
            .and()
            .resideOutsideOfPackage("org.skelda.app.clock")
            .should()
            .callMethod(Instant.class, "now")
            .because("a fast demonstration and a slow one must agree on the time");
}
