package org.tubrin.core;

import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;
import com.tngtech.archunit.library.dependencies.SliceAssignment;
import com.tngtech.archunit.library.dependencies.SliceIdentifier;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Holds the direction between the rooms, and what the core as a whole keeps out. */
public class RoomsTest {
    private static final String ROOT = "org.tubrin.core.";

    /** What a run stands on. */
    private static final String[] BELOW_RUNS = {
        "quantity",
        "metering",
        "device",
        "tank",
        "station",
        "twin",
        "budget",
        "alc",
        "bias",
        "matcher",
        "chain",
        "scope",
        "resonance",
        "switching"
    };

    private static final Map<String, List<String>> MAY_IMPORT = Map.ofEntries(
            entry("quantity"),
            entry("metering", "quantity"),
            entry("device", "quantity"),
            entry("tank", "quantity"),
            entry("station", "quantity", "metering", "device", "tank"),
            entry("twin", "quantity", "device", "tank", "station"),
            entry("budget", "quantity", "metering", "station"),
            entry("run", BELOW_RUNS),
            entry("signs", "quantity", "metering", "device", "tank", "station", "twin", "budget", "run"),
            entry("foresee", "quantity", "metering", "device", "tank", "station", "twin", "budget", "run"),
            entry("advice", and(BELOW_RUNS, "run", "signs", "foresee")),
            entry("supply", "quantity", "metering", "station"),
            entry("hv", "quantity"),
            entry("choosing", "quantity", "station"),
            entry("faults", "quantity", "station", "run", "signs", "trend"),
            entry(
                    "practice",
                    "quantity",
                    "metering",
                    "device",
                    "tank",
                    "station",
                    "twin",
                    "run",
                    "signs",
                    "advice",
                    "first"),
            entry("first", "quantity", "metering", "device", "tank", "station", "twin"),
            entry("drive", "quantity", "metering", "station", "budget", "twin", "run"),
            entry("alc", "quantity"),
            entry("chain", "quantity", "metering", "twin"),
            entry("bias", "quantity"),
            entry("scope", "quantity", "twin"),
            entry("matcher", "quantity", "tank", "station"),
            entry("resonance", "quantity", "metering"),
            entry("switching", "quantity"),
            entry("card", "quantity", "metering", "tank", "station", "twin", "run"),
            entry("trend", "quantity", "metering", "station", "budget", "run"));

    private static String[] and(String[] some, String... more) {
        return Stream.concat(Stream.of(some), Stream.of(more)).toArray(String[]::new);
    }

    private static Map.Entry<String, List<String>> entry(String room, String... mayImport) {
        return Map.entry(room, List.of(mayImport));
    }

    private final JavaClasses classes = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("org.tubrin.core");

    @DataProvider
    public Object[][] rooms() {
        return MAY_IMPORT.keySet().stream().map(room -> new Object[] {room}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "rooms")
    public void importsOnlyWhatItMay(String room) {
        List<String> allowed =
                new ArrayList<>(List.of("java..", "org.jspecify..", "org.hipparchus..", ROOT + room + ".."));
        MAY_IMPORT.get(room).forEach(other -> allowed.add(ROOT + other + ".."));
        ArchRuleDefinition.classes()
                .that()
                .resideInAPackage(ROOT + room + "..")
                .should()
                .onlyDependOnClassesThat()
                .resideInAnyPackage(allowed.toArray(String[]::new))
                .check(classes);
    }

    @Test
    public void everyClassLivesInARoom() {
        String[] known = MAY_IMPORT.keySet().stream().map(room -> ROOT + room).toArray(String[]::new);
        ArchRuleDefinition.classes().should().resideInAnyPackage(known).check(classes);
    }

    @Test
    public void roomsFormNoCircle() {
        slices().matching(ROOT + "(*)..").should().beFreeOfCycles().check(classes);
    }

    /** A sealed type and its kinds name each other by their nature; but for that no two classes need each other. */
    @Test
    public void classesFormNoCircle() {
        slices().assignedFrom(new ByOuterClass()).should().beFreeOfCycles().check(classes);
    }

    private static final class ByOuterClass implements SliceAssignment {
        @Override
        public SliceIdentifier getIdentifierOf(JavaClass javaClass) {
            return SliceIdentifier.of(family(outermost(javaClass.reflect())).getName());
        }

        private static Class<?> outermost(Class<?> type) {
            Class<?> outer = type.getNestHost();
            return outer.getEnclosingClass() == null ? outer : outermost(outer.getEnclosingClass());
        }

        private static Class<?> family(Class<?> type) {
            for (Class<?> root : type.getInterfaces()) {
                if (root.isSealed()) {
                    return family(outermost(root));
                }
            }
            return type;
        }

        @Override
        public String getDescription() {
            return "each class with what is nested in it, each sealed type with its kinds";
        }
    }

    @Test
    public void coreReadsNoClockAndNoFile() {
        ArchRuleDefinition.noClasses()
                .should()
                .callMethod(java.time.Instant.class, "now")
                .orShould()
                .callMethod(System.class, "currentTimeMillis")
                .orShould()
                .callMethod(System.class, "nanoTime")
                .orShould()
                .dependOnClassesThat()
                .resideInAnyPackage("java.io..", "java.nio..", "java.net..", "java.sql..")
                .check(classes);
    }
}
