package org.tubrin.bench;

import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;
import org.testng.annotations.Test;

/** The bench stands on the core alone, and the station that is simulated knows nothing of what plays on it. */
public class BenchRoomsTest {
    private final JavaClasses classes = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("org.tubrin.bench");

    @Test
    public void standsOnTheCoreAlone() {
        ArchRuleDefinition.classes()
                .should()
                .onlyDependOnClassesThat()
                .resideInAnyPackage(
                        "java..",
                        "org.jspecify..",
                        "org.hipparchus..",
                        "org.apache.commons.csv..",
                        "org.tubrin.core..",
                        "org.tubrin.bench..")
                .check(classes);
    }

    @Test
    public void theStationKnowsNoCampaign() {
        ArchRuleDefinition.noClasses()
                .that()
                .resideInAPackage("org.tubrin.bench")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("org.tubrin.bench.campaign..")
                .check(classes);
        slices().matching("org.tubrin.bench.(*)..").should().beFreeOfCycles().check(classes);
    }
}
