package org.skelda.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.time.Clock;
import java.time.Instant;

@AnalyzeClasses(packages = "org.skelda.core", importOptions = ImportOption.DoNotIncludeTests.class)
class BoundariesTest {

    @ArchTest
    static final ArchRule NOTHING_BUT_THE_JDK_AND_MATHEMATICS = classes()
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage(
                    "java..",
                    "org.skelda.core..",
                    "org.jspecify..",
                    "org.hipparchus..",
                    "org.pcollections..",
                    "net.sf.geographiclib..")
            .because("the core is tested and read on its own, and outlives frameworks; statistics, geodesics and "
                    + "collections that share what they do not change are no framework");

    @ArchTest
    static final ArchRule NO_CYCLES = slices().matching("org.skelda.core.(*)..")
            .should()
            .beFreeOfCycles()
            .because("a newcomer reads the packages in order");

    @ArchTest
    static final ArchRule TIME_IS_AN_ARGUMENT = noClasses()
            .should()
            .callMethod(Instant.class, "now")
            .orShould()
            .callMethod(Instant.class, "now", Clock.class)
            .orShould()
            .callMethod(System.class, "currentTimeMillis")
            .orShould()
            .callMethod(System.class, "nanoTime")
            .because("live and replay are the same code, and a test passes its own time");

    @ArchTest
    static final ArchRule NO_FILES = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("java.io..", "java.nio..", "java.net..")
            .because("the core computes; reading and writing is the work of formats and app");
}
