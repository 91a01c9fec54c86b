package org.tubrin.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Idle currents: of two transistors on the simulated bench by keys, and typed in of one that runs away. */
public class BiasJourneyTest extends AtTheStation {
    private static final Pattern AIM = Pattern.compile("Pot (\\d) (?:up|down) to ([\\d.]+) mV");
    private static final double NEAR_MV = 0.7;
    private static final int MOST_MOVES = 400;
    private static final int MOST_TURNS = 150;

    public BiasJourneyTest() {
        super("bias");
    }

    @BeforeMethod
    public void nothingIsGoing() {
        operator.abandonsWhatIsGoing();
    }

    private void starts(String source) {
        operator.page.navigate("/drive/bias");
        operator.page.getByLabel("Idle current of each, mA").fill("80");
        operator.page.getByLabel("Figure from").fill("maker's sheet");
        operator.page.getByLabel("Printed on it, Ω").fill("2.2");
        operator.page.getByLabel("Measured, Ω").fill("2.37");
        operator.page.getByText("Pots, gate, load, readings").click();
        Operator.chooses(operator.page, "Readings", source);
        operator.page.getByText("Start with the pots").click();
        operator.awaits("minimum");
        operator.page.locator("body").evaluate("() => document.activeElement.blur()");
    }

    private double shows() {
        String shown = operator.page.locator("[data-part=now-SENSE_VOLTAGE]").innerText();
        return shown.isBlank() ? Double.NaN : Double.parseDouble(shown);
    }

    /** Turns the pot by keys until the meter shows an aim: some presses at once, as far as a turn goes. */
    private void turnsTo(double aimMv) {
        double baseMv = shows();
        for (int i = 0; i < MOST_TURNS; i++) {
            double off = aimMv - shows();
            if (Math.abs(off) <= NEAR_MV) {
                return;
            }
            boolean draws = shows() > baseMv + 3 || off < 0 || pot() > 6;
            if (!draws) {
                presses(pot() < 5 ? "ArrowRight" : "ArrowUp", pot() < 5 ? 2 : 8);
            } else if (Math.abs(off) > 20) {
                presses(off > 0 ? "ArrowUp" : "ArrowDown", (int) Math.min(4, Math.abs(off) / 20));
            } else {
                presses(off > 0 ? "Shift+ArrowUp" : "Shift+ArrowDown", (int) Math.max(1, Math.abs(off) / 2.5));
            }
        }
    }

    private void presses(String key, int times) {
        for (int i = 0; i < times; i++) {
            operator.page.keyboard().press(key);
        }
        operator.page.waitForTimeout(350);
    }

    private double pot() {
        return Double.parseDouble(
                operator.page.locator("[data-part=pot] output").innerText());
    }

    /** Follows the next move on the bench to its end; returns what was said. */
    private List<String> sets() {
        List<String> told = new ArrayList<>();
        for (int i = 0; i < MOST_MOVES; i++) {
            String said = operator.sentence();
            told.add(said);
            Matcher aim = AIM.matcher(said);
            if (said.startsWith("Save the idle")) {
                return told;
            }
            if (said.startsWith("Key, without") || said.startsWith("Key up")) {
                operator.presses("Space");
            } else if (aim.find()) {
                turnsTo(Double.parseDouble(aim.group(2)));
                reads();
            } else if (said.endsWith("to its minimum, and read")) {
                turnsDown();
                reads();
            } else if (said.startsWith("Read")) {
                reads();
            } else if (!said.startsWith("Leave")) {
                operator.presses("Enter");
            }
            // A key pressed again while the page is still busy would answer what is asked next.
            operator.comesTrue(3000, () -> !operator.sentence().equals(said));
        }
        throw new AssertionError("no end to it: " + told);
    }

    private void turnsDown() {
        for (int k = 0; k < 30 && pot() > 0; k++) {
            operator.page.keyboard().press("ArrowLeft");
            operator.page.waitForTimeout(60);
        }
        operator.page.waitForTimeout(500);
    }

    private void reads() {
        for (int i = 0; i < 3; i++) {
            operator.presses("r");
            if (operator.comesTrue(1200, () -> operator.sentence().startsWith("Record"))) {
                return;
            }
        }
    }

    private JsonObject currents() {
        return JsonParser.parseString(operator.page
                        .request()
                        .get(app.url() + "/api/drive/bias")
                        .text())
                .getAsJsonObject();
    }

    @Test
    public void bothTransistorsAreSetOnTheBench() {
        starts("Simulated bench");
        List<String> told = sets();
        assertTrue(told.contains("Take up device 2"), told.toString());
        assertTrue(told.stream().anyMatch(said -> said.equals("Pot 1 to its minimum, and read")), told.toString());
        operator.presses("Enter");
        operator.page.getByText("The idle currents of Ketch 600 are saved.").waitFor();
        JsonObject shown = currents().getAsJsonObject("shown");
        for (JsonElement device : shown.getAsJsonArray("devices")) {
            assertTrue(device.getAsJsonObject().get("within").getAsBoolean(), device.toString());
        }
        operator.page.getByText("See the currents").click();
        assertThat(operator.page.locator("[data-part=bias-stair]")).isVisible();
        assertThat(operator.page.getByText("All devices stand at their idle current, hot."))
                .isVisible();
    }

    /** Read off a voltmeter: half the current rises by itself, and the run says so before all of it is set. */
    @Test
    public void whoRunsAwayIsTurnedDown() {
        starts("Typed");
        for (int i = 0; i < 12 && !operator.sentence().startsWith("Hands off"); i++) {
            operator.follows(operator.sentence());
        }
        operator.awaits("Hands off all pots");
        operator.presses("Enter");
        operator.awaits("Key, without drive");
        operator.presses("Space");
        operator.awaits("Read the meter");
        types("9.7");
        operator.presses("Enter");
        operator.awaits("Take up device 1");
        operator.presses("Enter");
        operator.awaits("Pot 1 up to 104.5 mV");
        types("106");
        operator.presses("Enter");
        operator.awaits("Leave pot 1 alone");
        // Reloaded in the middle of it, nothing is lost.
        operator.page.reload();
        operator.awaits("Leave pot 1 alone");
        operator.page
                .getByText("Type them")
                .or(operator.page.getByText("Enter readings"))
                .first()
                .click();
        types("151");
        operator.presses("Enter");
        operator.awaits("Pot 1 to its minimum, then key up");
        Locator sentence = operator.page.locator("[data-part=next-move]");
        assertThat(sentence).containsText("look at its mounting");
        operator.presses("Space");
        operator.awaits("Save the idle currents");
        operator.presses("Enter");
        operator.page.getByText("The idle currents of Ketch 600 are saved.").waitFor();
        assertEquals(came(), "a device ran away");
    }

    private String came() {
        return currents()
                .getAsJsonArray("rows")
                .get(0)
                .getAsJsonObject()
                .get("came")
                .getAsString();
    }

    private void types(String text) {
        Locator entry = operator.page.locator("input[data-entry=SENSE_VOLTAGE]");
        entry.fill(text);
        entry.press("Enter");
        operator.page.locator("body").evaluate("() => document.activeElement.blur()");
        operator.page.waitForTimeout(400);
    }

    @Test
    public void whatIsMistypedIsNamed() {
        operator.page.navigate("/drive/bias");
        operator.page.getByLabel("Idle current of each, mA").fill("80 A");
        operator.page.getByLabel("Figure from").fill("sheet");
        operator.page.getByLabel("Printed on it, Ω").fill("2.2");
        operator.page.getByLabel("Measured, Ω").fill("2.37");
        operator.page.getByText("Start with the pots").click();
        Locator form = operator.page.locator("[data-part=bias-start]");
        assertThat(form).containsText("Idle current of each");
        assertThat(form.getByText("80 A")).isVisible();
        assertThat(operator.page.getByLabel("Idle current of each, mA", new Page.GetByLabelOptions().setExact(true)))
                .hasValue("80 A");
    }
}
