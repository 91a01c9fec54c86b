package org.tubrin.server;

import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.testng.Assert.assertEquals;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Holds the direction between the server's rooms. */
public class ServerRoomsTest {
    private static final String ROOT = "org.tubrin.server.";

    private static final Map<String, List<String>> MAY_IMPORT = Map.ofEntries(
            entry("store"),
            entry("words"),
            entry("web", "store", "words"),
            entry("station", "store", "web", "words"),
            entry("card", "station", "store", "web", "words"),
            entry("feed", "station", "store", "web", "words"),
            entry("meter", "station", "web", "words"),
            entry("run", "card", "feed", "station", "store", "web", "words"),
            entry("supply", "feed", "station", "store", "web", "words", "run"),
            entry("trend", "run", "station", "web", "words"),
            entry("drive", "run", "station", "web", "words"),
            entry("twin", "feed", "run", "station", "web", "words"),
            entry("fault", "run", "station", "store", "web", "words"),
            entry("inspection", "station", "store", "web", "words"),
            entry("practice", "run", "station", "store", "web", "words"),
            entry("backup", "store", "web"),
            entry("demo", "fault", "practice", "run", "station", "store", "supply", "words"));

    private static Map.Entry<String, List<String>> entry(String room, String... mayImport) {
        return Map.entry(room, List.of(mayImport));
    }

    private final JavaClasses classes = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("org.tubrin.server");

    @DataProvider
    public Object[][] rooms() {
        return MAY_IMPORT.keySet().stream().map(room -> new Object[] {room}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "rooms")
    public void importsOnlyWhatItMay(String room) {
        List<String> others = new ArrayList<>();
        for (String other : MAY_IMPORT.keySet()) {
            if (!other.equals(room) && !MAY_IMPORT.get(room).contains(other)) {
                others.add(ROOT + other + "..");
            }
        }
        others.add("org.tubrin.bench..");
        ArchRuleDefinition.noClasses()
                .that()
                .resideInAPackage(ROOT + room + "..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(others.toArray(String[]::new))
                .check(classes);
    }

    @Test
    public void everyClassLivesInARoom() {
        List<String> known = new ArrayList<>(List.of("org.tubrin.server"));
        MAY_IMPORT.keySet().forEach(room -> known.add(ROOT + room));
        ArchRuleDefinition.classes()
                .should()
                .resideInAnyPackage(known.toArray(String[]::new))
                .check(classes);
    }

    @Test
    public void roomsFormNoCircle() {
        slices().matching(ROOT + "(*)..").should().beFreeOfCycles().check(classes);
    }

    /** What the page is told has files of its own; nothing below a controller knows one. */
    @Test
    public void nobodyKnowsAController() {
        ArchRuleDefinition.noClasses()
                .that()
                .haveNameNotMatching(".*Controller(\\$.*)?")
                .should()
                .dependOnClassesThat()
                .haveNameMatching(".*Controller(\\$.*)?")
                .check(classes);
    }

    /** The contract knows a view by its simple name: of two with the same one would be taken for the other. */
    @Test
    public void noTwoViewsShareAName() {
        List<String> names = classes.stream()
                .map(JavaClass::getSimpleName)
                .filter(name -> name.endsWith("View") || name.endsWith("Request"))
                .sorted()
                .toList();
        assertEquals(names, names.stream().distinct().toList());
    }

    /** What is stored is asked for in the room that stores it, or by those that keep or show the whole of it. */
    @Test
    public void onlyTheStoreSpeaksToTheDatabaseByHand() {
        ArchRuleDefinition.noClasses()
                .that()
                .resideOutsideOfPackages(
                        ROOT + "run..", ROOT + "card..", ROOT + "backup..", ROOT + "store..", ROOT + "web..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("java.sql..", "org.springframework.jdbc..", "org.postgresql..")
                .check(classes);
    }
}
