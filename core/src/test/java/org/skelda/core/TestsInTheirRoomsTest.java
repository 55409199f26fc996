package org.skelda.core;

import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** The same as for what is tested: the tests of a room come with it as a jar, and lean on the rooms before it only. */
@AnalyzeClasses(packages = "org.skelda.core")
class TestsInTheirRoomsTest {

    @ArchTest
    static final ArchRule NO_CYCLES = slices().matching("org.skelda.core.(*)..")
            .should()
            .beFreeOfCycles()
            .because("a test that leans on a later room ties the two together for whoever reads either");
}
