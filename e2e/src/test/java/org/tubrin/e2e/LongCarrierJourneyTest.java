package org.tubrin.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.Test;
import org.tubrin.bench.SimulatedStation;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.TubePoint;

/** Dials for a carrier that stands long, on the simulated bench, read by two wattmeters that change places on the way. */
public class LongCarrierJourneyTest extends AtTheStation {
    private static final int MOST_KEY_DOWNS = 12;
    private static final double WANTED_W = 350;
    /** What ./start hides behind the bench's meters. */
    private static final long SEED = 7;
    /** A key turns a dial by so much, of a mark. */
    private static final double FINE = 0.01;

    private static final int REACH = 60;
    /** Of Fathom: 5 % of its range of 1.5 kW. */
    private static final double CLASS_W = 75;

    public LongCarrierJourneyTest() {
        super("carrier");
    }

    private JsonElement json(String path) {
        return JsonParser.parseString(
                operator.page.request().get(app.url() + path).text());
    }

    @Test
    public void aLongCarrierReadByTwoWattmetersThatChangePlaces() {
        operator.abandonsWhatIsGoing();
        Page page = operator.page;
        page.navigate("/tune?use=LONG_CARRIER");
        operator.opensNode("Meters");
        page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName(Pattern.compile("^Marker")))
                .check();
        operator.presses("Escape");
        page.getByLabel("output, W").fill("350");
        operator.begins("Simulated bench", "Peak, then heavier");
        operator.getsReadyOnTheBench();
        List<String> told = climbs();
        JsonObject run = json("/api/runs/" + page.url().replaceAll(".*/", "")).getAsJsonObject();
        JsonObject two = run.getAsJsonObject("wattmeters");
        assertTrue(two.get("changedOver").getAsBoolean(), two.toString());
        assertTrue(two.has("comparison"), two.toString());

        page.getByText("is on the card").waitFor();
        JsonObject row = null;
        for (JsonElement one : json("/api/cards").getAsJsonArray()) {
            JsonObject card = one.getAsJsonObject();
            row = card.get("runId").equals(run.get("id")) ? card : row;
        }
        assertEquals(row.get("use").getAsString(), "LONG_CARRIER");
        assertEquals(row.get("outputW").getAsDouble(), WANTED_W, CLASS_W, String.join("\n", told));

        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Correct Marker")))
                .click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(Pattern.compile("ompare"))))
                .isVisible();
        page.navigate("/log");
        assertThat(page.getByRole(AriaRole.ROW)
                        .filter(new Locator.FilterOptions()
                                .setHas(page.locator(
                                        "[href='/log/" + run.get("id").getAsString() + "']"))))
                .containsText("long carrier, 350 W");
    }

    /** One step of a hand that knows where the output is most: key, settle, take the readings, key up. */
    private void keysAndTakes(double driveW) {
        double load = operator.twinAt("LOAD");
        operator.turns("LOAD", "ArrowDown", "ArrowUp", load);
        operator.turns("PLATE", "ArrowLeft", "ArrowRight", peak(driveW, operator.twinAt("PLATE"), load));
        operator.settles("now-OUTPUT");
        operator.presses("Space");
        operator.awaits("Peak, read");
        operator.rises("OUTPUT", driveW);
        operator.settles("now-OUTPUT");
        operator.takesReadings("PLATE_VOLTAGE");
        operator.presses("Space");
        operator.page.locator("[data-part=clock]").getByText("Resting").waitFor();
    }

    /** Returns the mark of PLATE where the bench gives most, near a mark. */
    private static double peak(double driveW, double near, double load) {
        SimulatedStation station = new SimulatedStation(SEED, 1);
        double best = near;
        double mostW = 0;
        for (int i = -REACH; i <= REACH; i++) {
            double plate = near + FINE * i;
            double outputW = station.trueAt(driveW, plate, load) instanceof Outcome.Settled<TubePoint> settled
                    ? settled.point().outputW()
                    : 0;
            if (outputW > mostW) {
                mostW = outputW;
                best = plate;
            }
        }
        return best;
    }

    /** Does what the next move says until the row is on the card; after the first step the wattmeters change places. */
    private List<String> climbs() {
        List<String> told = new ArrayList<>();
        boolean changed = false;
        for (String said = operator.sentence(); !said.startsWith("Write it on the card"); said = operator.sentence()) {
            told.add(said);
            if (said.startsWith("Rest")) {
                operator.awaits("^(?!Rest)");
            } else if (said.startsWith("Key at")) {
                assertTrue(
                        told.stream().filter(one -> one.startsWith("Key at")).count() <= MOST_KEY_DOWNS,
                        told.toString());
                keysAndTakes(Double.parseDouble(said.split(" ")[2]));
            } else {
                operator.follows(said);
                if (!changed && said.startsWith("Record the step")) {
                    changed = true;
                    operator.page
                            .getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("changed over"))
                            .click();
                    operator.page.locator("body").evaluate("() => document.activeElement.blur()");
                }
            }
        }
        operator.presses("Enter");
        return told;
    }
}
