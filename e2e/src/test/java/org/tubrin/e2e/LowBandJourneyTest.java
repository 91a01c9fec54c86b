package org.tubrin.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.google.gson.JsonArray;
import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** The lowest bands on the simulated bench, by keys: an antenna through rain and wind, and an amplifier whose supply sets the power. */
public class LowBandJourneyTest extends AtTheStation {
    private static final int AMPLIFIER = 1;
    private static final int MOST_MOVES = 160;

    public LowBandJourneyTest() {
        super("lowband");
    }

    @BeforeMethod
    public void nothingIsGoing() {
        operator.abandonsWhatIsGoing();
    }

    private void starts(String page) {
        operator.page.navigate(page);
        Operator.chooses(operator.page, "Readings", "Simulated bench");
        operator.page.getByText("Start with the points").click();
        operator.awaits("\\?$");
        operator.page.locator("body").evaluate("() => document.activeElement.blur()");
    }

    private JsonObject run() {
        String id = operator.page.url().replaceAll(".*/", "");
        return JsonParser.parseString(operator.page
                        .request()
                        .get(app.url() + "/api/runs/" + id)
                        .text())
                .getAsJsonObject();
    }

    /** Sends once: reads and turns as it is told, until the motor is left alone. */
    private List<String> sends() {
        operator.awaits("^Key and read");
        operator.presses("Space");
        List<String> told = new ArrayList<>();
        for (String said = operator.sentence(); !said.startsWith("Leave"); said = operator.sentence()) {
            told.add(said);
            assertTrue(told.size() < MOST_MOVES, told.toString());
            operator.presses(said.startsWith("Read") ? "r" : said.startsWith("Key and") ? "Shift" : "Enter");
            operator.page.waitForTimeout(350);
        }
        operator.presses("Space");
        operator.awaits("^(In tune|Key and)");
        return told;
    }

    private double motor() {
        return run().getAsJsonObject("resonance").get("motor").getAsDouble();
    }

    /** Rain for some seconds of the bench, which are minutes there. */
    private void rains(int hertzPerHour, double seconds) {
        app.tellBench(AMPLIFIER, "WEAT:RAIN " + hertzPerHour);
        operator.page.waitForTimeout(1000 * seconds);
        app.tellBench(AMPLIFIER, "WEAT:RAIN 0");
    }

    @Test
    public void aDriftDayOfALowBandAntenna() {
        starts("/drive/resonance");
        for (String said = operator.sentence(); said.endsWith("?"); said = operator.sentence()) {
            operator.follows(said);
        }
        List<String> first = sends();
        assertTrue(first.stream().anyMatch(said -> said.startsWith("Motor one short step")), first.toString());
        double dry = motor();
        operator.page
                .getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("rain"))
                .click();
        operator.page.locator("body").evaluate("() => document.activeElement.blur()");
        for (int look = 0; look < 3; look++) {
            rains(4000, 9);
            sends();
        }
        double wet = motor();
        // Nine seconds, sixty times faster, at 4 kHz an hour: 600 Hz a time, of which a step mends some 170.
        assertEquals(Math.abs(wet - dry), 1800 / 170.0, 4.5, "turned from " + dry + " to " + wet);
        JsonObject watch = run().getAsJsonObject("resonance");
        JsonArray found = watch.getAsJsonArray("found");
        assertTrue(found.size() > 6, found.toString());
        assertEquals(
                watch.getAsJsonArray("weather")
                        .get(0)
                        .getAsJsonObject()
                        .get("name")
                        .getAsString(),
                "rain");
        assertThat(operator.page.locator("[data-part=wander]")).containsText("rain");

        // A gust of rain while the key is down is said at once, in the place of the next move.
        operator.awaits("^Key and read");
        operator.presses("Space");
        operator.awaits("^Read the phase meter");
        app.tellBench(AMPLIFIER, "WEAT:RAIN 60000");
        operator.awaits("^Off resonance by more than 1 mark");
        app.tellBench(AMPLIFIER, "WEAT:RAIN 0");
        operator.presses("Space");
        assertThat(operator.page.locator("[data-part=keyed]")).hasCount(0);

        String id = operator.page.url().replaceAll(".*/", "");
        operator.page.getByText("End the watch and save it").click();
        assertThat(operator.page.locator("[data-part=afterwards]")).containsText("The day of Mizzen is saved");
        operator.page.navigate("/drive/resonance");
        assertThat(operator.page.locator("[href='/log/" + id + "']")).isVisible();
        assertThat(operator.page.locator("[data-part=wander]")).containsText("rain");
    }

    @Test
    public void powerBySupplyVolts() {
        starts("/drive/volts");
        int keyed = 0;
        for (String said = operator.sentence(); !said.startsWith("Save the table"); said = operator.sentence()) {
            if (said.startsWith("Rest")) {
                operator.awaits("^(?!Rest)");
            } else if (said.startsWith("Key at")) {
                assertTrue(keyed++ < 7, "it asks for one key-down after another: " + said);
                operator.presses("Space");
                operator.awaits("^Read, key up");
                operator.rises("OUTPUT", 5);
                operator.settles("now-OUTPUT");
                operator.takesReadings("HEAT_SINK");
                operator.presses("Space");
                operator.page.locator("[data-part=clock]").getByText("Resting").waitFor();
            } else {
                operator.follows(said);
            }
        }
        List<Double> volts = new ArrayList<>();
        for (JsonElement row : run().getAsJsonObject("volts").getAsJsonArray("rows")) {
            JsonObject one = row.getAsJsonObject();
            volts.add(one.get("volts").getAsDouble());
            assertTrue(one.get("watt").getAsDouble() <= 300, row.toString());
            assertTrue(one.get("efficiency").getAsString().startsWith("9"), row.toString());
        }
        assertEquals(volts.size(), 5, volts.toString());
        for (int i = 1; i < volts.size() - 1; i++) {
            assertEquals(volts.get(i) / volts.get(i - 1), Math.sqrt(2), 0.03, volts.toString());
        }
        assertThat(operator.page.locator("[data-part=volts-rows]")).containsText("at rest");
        operator.presses("Enter");
        assertThat(operator.page.locator("[data-part=afterwards]")).containsText("Which voltage brings which output");
    }
}
