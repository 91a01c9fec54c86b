package org.tubrin.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.function.BooleanSupplier;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.tubrin.bench.BenchExciter;
import org.tubrin.bench.LevelControl;

/** Levels into an exciter on the simulated bench, by keys, through a change of its firmware. */
public class AlcJourneyTest extends AtTheStation {
    /** What ./start hides behind the bench's meters. */
    private static final long SEED = 7;

    private static final int MOST_KEY_DOWNS = 45;

    public AlcJourneyTest() {
        super("alc");
    }

    @BeforeMethod
    public void nothingIsGoing() {
        operator.abandonsWhatIsGoing();
    }

    private void starts() {
        operator.page.navigate("/drive/alc");
        Operator.chooses(operator.page, "Exciter", "Skiff 10");
        operator.page.getByLabel("Set power, W").fill("5");
        operator.page.getByLabel("A second one, W").fill("2.5");
        operator.page.getByLabel("By (interface, cable)").fill("Buoy interface");
        operator.page.getByText("Meters, band, load and tones").click();
        Operator.chooses(operator.page, "Signal width", "Lookout");
        operator.page.getByText("Start with the level").click();
        operator.awaits("bypass");
        operator.page.locator("body").evaluate("() => document.activeElement.blur()");
    }

    /** Keys, takes the readings off the bench, keys up. */
    private void keysAndTakes() {
        operator.presses("Space");
        operator.awaits("Read, key up");
        operator.settles("now-OUTPUT");
        operator.takesReadings("SIGNAL_WIDTH");
        operator.presses("Space");
        operator.awaits("^(?!Read, key up)");
    }

    /** Does what the sentence says until there is a level to keep, or something is seen before. */
    private void triesUntil(BooleanSupplier seen) {
        int keyed = 0;
        for (String said = operator.sentence();
                !said.startsWith("Save the level") && !seen.getAsBoolean();
                said = operator.sentence()) {
            if (said.startsWith("Rest")) {
                operator.awaits("^(?!Rest)");
            } else if (said.startsWith("Key with")) {
                assertTrue(keyed++ < MOST_KEY_DOWNS, "it asks for one key-down after another: " + said);
                keysAndTakes();
            } else {
                operator.follows(said);
            }
        }
    }

    private JsonObject levels() {
        return JsonParser.parseString(operator.page
                        .request()
                        .get(app.url() + "/api/drive/alc")
                        .text())
                .getAsJsonObject();
    }

    private Locator gauge(String title) {
        return operator.page.locator("[data-part=level-says]").getByText(title);
    }

    @Test
    public void theLevelIsFoundAndAFirmwareShutsIt() {
        starts();
        triesUntil(() -> false);
        assertThat(gauge("This gauge moves throughout")).isVisible();
        assertThat(gauge("Hz wide up to")).containsText("agrees with the output");
        operator.presses("Enter");
        operator.page.getByText("The level of Skiff 10 is saved.").waitFor();
        // Below where it really begins to act, at both powers and every tone.
        LevelControl truth = BenchExciter.SKIFF.control("2.0", SEED);
        JsonObject shown = levels().getAsJsonObject("shown");
        double knee = shown.getAsJsonObject("knee").get("level").getAsDouble();
        assertEquals(20 * Math.log10(knee / truth.kneeLevel(5, 1500)), 0, 1);
        double high = shown.getAsJsonObject("window").get("high").getAsDouble();
        for (double toneHz : new double[] {500, 1500, 2500}) {
            assertTrue(high < truth.kneeLevel(5, toneHz), "set up to " + high + " at " + toneHz + " Hz");
        }
        operator.page.getByText("See the levels").click();
        assertThat(operator.page.locator("[data-part=level-stair]")).isVisible();

        operator.page.navigate("/station");
        operator.page
                .getByText("Skiff 10", new Page.GetByTextOptions().setExact(true))
                .click();
        operator.page
                .getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Skiff 10"))
                .waitFor();
        operator.page.getByLabel("Firmware, as the set shows it").fill("1.8");
        operator.page
                .getByText("Save", new Page.GetByTextOptions().setExact(true))
                .click();
        operator.page
                .getByText("Skiff 10 is saved.", new Page.GetByTextOptions().setExact(true))
                .first()
                .waitFor();
        JsonArray rows = levels().getAsJsonArray("rows");
        rows.forEach(row -> assertEquals(
                row.getAsJsonObject().get("shut").getAsBoolean(),
                !row.getAsJsonObject().get("firmware").getAsString().equals("1.8"),
                row.toString()));
        // With its old firmware the gauge rests: known as soon as the first series says so.
        starts();
        triesUntil(() -> gauge("This gauge rests").count() > 0);
        assertThat(gauge("This gauge rests")).isVisible();
    }
}
