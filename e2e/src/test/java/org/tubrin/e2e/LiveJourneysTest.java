package org.tubrin.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.tubrin.bench.SimulatedStation;
import org.tubrin.core.station.Band;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Peak;
import org.tubrin.core.twin.PeakSearch;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.TubePoint;

/** Tune-ups on the simulated bench through the packaged application in a real browser. */
public class LiveJourneysTest extends AtTheStation {
    /** What ./start hides behind the bench's meters. */
    private static final long SEED = 7;

    /** So often in a row the machine may be too slow for a hand. */
    private static final int MOST_LATE = 10;

    private Process benchAgain;

    public LiveJourneysTest() {
        super("live");
    }

    @AfterClass(alwaysRun = true)
    public void stopTheBench() {
        if (benchAgain != null) {
            benchAgain.destroy();
        }
    }

    @BeforeMethod
    public void nothingIsGoing() {
        operator.abandonsWhatIsGoing();
    }

    /**
     * One step: dials to the twin's marks, key, peak PLATE by the meter, take the readings, key up. Returns whether there was time for
     * it: on a machine that is busy elsewhere the key comes up by itself before, and nothing is read. The next key-down then goes on
     * where PLATE stands, and the one after that only reads.
     *
     * @param late key-downs in which this step was not read
     */
    private boolean keysPeaksAndTakes(int late) {
        if (late == 0) {
            operator.turns("LOAD", "ArrowDown", "ArrowUp", operator.twinAt("LOAD"));
            operator.turns("PLATE", "ArrowLeft", "ArrowRight", operator.twinAt("PLATE"));
        }
        operator.settles("now-OUTPUT");
        operator.presses("Space");
        operator.awaits("Peak, read");
        if (late < 2) {
            operator.peaks("ArrowLeft", "ArrowRight");
        }
        operator.settles("now-OUTPUT");
        if (!operator.takesReadingsWhileKeyed("PLATE_VOLTAGE")) {
            operator.page.locator("[data-part=clock]").getByText("Rested").waitFor();
            return false;
        }
        operator.presses("Space");
        operator.page.locator("[data-part=clock]").getByText("Resting").waitFor();
        return true;
    }

    @Test
    public void aWholeClimbOnTheBenchWithKeysOnlyGivesWhatTheHiddenTruthAllows() {
        operator.startsClimb("Simulated bench");
        climbsToTheCard(16);
        assertTheDialsLeftAreGood();
    }

    @Test
    public void whatIsSuggestedComesToAsMuchWithFewKeyDowns() {
        operator.page.navigate("/tune");
        assertThat(operator.page.getByRole(
                        AriaRole.RADIO, new Page.GetByRoleOptions().setName("Maker’s chart suggested")))
                .isChecked();
        operator.startsClimb("Simulated bench", "Maker’s chart suggested");
        climbsToTheCard(5);
        assertTheDialsLeftAreGood();
    }

    /** Does what the next move says until the row is on the card, with so many key-downs at most. */
    private void climbsToTheCard(int most) {
        operator.getsReadyOnTheBench();
        int keyed = 0;
        int late = 0;
        for (String said = operator.sentence(); !said.startsWith("Write it on the card"); said = operator.sentence()) {
            if (said.startsWith("Rest")) {
                operator.awaits("^(?!Rest)");
            } else if (said.startsWith("Key at") || said.startsWith("Enter output")) {
                if (keysPeaksAndTakes(late)) {
                    keyed++;
                    late = 0;
                } else {
                    late++;
                }
                assertTrue(keyed <= most, "it asks for one key-down after another: " + said);
                assertTrue(late <= MOST_LATE, "the key comes up by itself again and again: " + said);
            } else {
                operator.follows(said);
            }
        }
        operator.presses("Enter");
        operator.page.getByText("is on the card").waitFor();
    }

    private void assertTheDialsLeftAreGood() {
        JsonObject row = card();
        double driveW = row.get("driveW").getAsDouble();
        SimulatedStation station = new SimulatedStation(SEED, 1);
        TubePoint truth = settled(station.trueAt(
                driveW, row.get("plate").getAsDouble(), row.get("load").getAsDouble()));
        double outputW = row.get("outputW").getAsDouble();
        assertEquals(outputW, truth.outputW(), 0.05 * 1500, "within the wattmeter's class of the truth");
        assertTrue(truth.outputW() > 0.95 * bestW(station, driveW), "true output " + truth.outputW());
        assertTrue(truth.meters().gridCurrentA() < 0.2, "grid current " + truth.meters());
        assertTrue(truth.powers().plateHeatPerTubeW() < 350, "heat " + truth.powers());
    }

    private JsonObject card() {
        JsonArray cards = JsonParser.parseString(
                        operator.page.request().get(app.url() + "/api/cards").text())
                .getAsJsonArray();
        JsonObject latest = null;
        for (var one : cards) {
            JsonObject row = one.getAsJsonObject();
            boolean later = latest == null
                    || row.get("verifiedAt")
                                    .getAsString()
                                    .compareTo(latest.get("verifiedAt").getAsString())
                            > 0;
            latest = later ? row : latest;
        }
        return latest;
    }

    private static double bestW(SimulatedStation station, double driveW) {
        Setting setting = new Setting(Band.MHZ_7, 7.1e6, driveW, 0, 0, 51.6, 0);
        return ((Outcome.Settled<Peak>) PeakSearch.most(station.trueTwin(), setting))
                .point()
                .point()
                .outputW();
    }

    private static TubePoint settled(Outcome<TubePoint> outcome) {
        return ((Outcome.Settled<TubePoint>) outcome).point();
    }

    @Test
    public void aHandThatTurnsPastThePeakHearsItAndReadsItOnce() {
        operator.page.navigate("/tune");
        operator.page.evaluate("() => localStorage.setItem('tubrin.sound', JSON.stringify({ peak: true }))");
        operator.startsClimb("Simulated bench");
        operator.getsReadyOnTheBench();
        for (String said = operator.sentence(); !said.startsWith("Key at"); said = operator.sentence()) {
            operator.follows(said);
        }
        operator.turns("LOAD", "ArrowDown", "ArrowUp", operator.twinAt("LOAD"));
        operator.turns("PLATE", "ArrowLeft", "ArrowRight", operator.twinAt("PLATE"));
        operator.presses("Space");
        operator.awaits("Peak, read");
        // At once and in large turns: past the clock's stop the move is to key up, and where output goes is no matter.
        Locator heard = operator.page.getByText("output falls: turn back");
        for (int turned = 0; !heard.isVisible() && turned < 8; turned++) {
            operator.presses("ArrowRight");
            operator.page.waitForTimeout(250);
        }
        assertThat(heard).isVisible();
        operator.presses("Space");
        operator.page.locator("[data-part=clock]").getByText("Resting").waitFor();
        operator.page.evaluate("() => localStorage.removeItem('tubrin.sound')");
    }

    @Test
    public void theBenchPulledInMidClimbLeavesTheRunAndComesBackByItself() throws InterruptedException {
        operator.startsClimb("Simulated bench");
        operator.getsReadyOnTheBench();
        for (String said = operator.sentence(); !said.startsWith("Key at"); said = operator.sentence()) {
            operator.follows(said);
        }
        app.killBench();
        // A stream that broke with it is opened again by the browser after some seconds.
        assertThat(operator.page.locator("[data-part=signal-line]"))
                .containsText("simulated bench away", new LocatorAssertions.ContainsTextOptions().setTimeout(30_000));
        operator.presses("e");
        operator.types("140");
        operator.presses("Enter");
        operator.presses("Escape");
        assertThat(operator.entry("OUTPUT")).hasValue("140");
        operator.page.reload();
        assertThat(operator.entry("OUTPUT")).hasValue("140");
        benchAgain = app.startBench();
        assertThat(operator.page.locator("[data-part=signal-line]")).not().containsText("away");
        assertThat(operator.page.locator("[data-part=now-OUTPUT]")).containsText(Pattern.compile("[0-9]"));
    }
}
