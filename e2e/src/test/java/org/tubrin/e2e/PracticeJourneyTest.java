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
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** Somebody who practises: from the list through a whole climb by keys, over a reload with the key down, to the debrief. */
public class PracticeJourneyTest extends AtTheStation {
    public PracticeJourneyTest() {
        super("practice");
    }

    private JsonObject asked(String path) {
        return JsonParser.parseString(
                        operator.page.request().get(app.url() + path).text())
                .getAsJsonObject();
    }

    private String id() {
        return operator.page.url().replaceAll(".*/practice/", "").replaceAll("/.*", "");
    }

    private JsonObject panel() {
        return asked("/api/practices/" + id() + "/now");
    }

    private double shows(String role) {
        for (JsonElement one : panel().getAsJsonArray("meters")) {
            if (one.getAsJsonObject().get("role").getAsString().equals(role)) {
                return one.getAsJsonObject().get("value").getAsDouble();
            }
        }
        throw new AssertionError(role);
    }

    /** Puts the key down or up; it may have come up by itself where everything is slow. */
    private void keyed(boolean down) {
        if (panel().get("keyed").getAsBoolean() != down) {
            operator.presses("Space");
        }
        assertTrue(operator.comesTrue(10_000, () -> panel().get("keyed").getAsBoolean() == down));
    }

    private void driven(double to) {
        operator.presses("d");
        assertTrue(operator.comesTrue(
                10_000, () -> Math.abs(panel().get("exciter").getAsDouble() - to) < 0.01));
    }

    private void beginsAlone(String exercise) {
        Page page = operator.page;
        page.navigate("/practice");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Alone"))
                .press("Space");
        Locator code = page.getByLabel("Code of an exercise");
        code.fill(exercise);
        code.press("Enter");
        page.locator("[data-part=meters]").waitFor();
    }

    private void ends() {
        operator.page.getByText("I am done: to the debrief").press("Enter");
        operator.page
                .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("End it"))
                .press("Enter");
        operator.page.locator("[data-part=replay]").waitFor();
    }

    @Test
    public void aGaugeThatStandsAtItsStopUnkeyedIsNamedAndIsRightFromThen() {
        Page page = operator.page;
        beginsAlone("10-000001");
        Locator gauge = page.locator("[data-part=meter-ALC_GAUGE]");
        assertThat(gauge).containsText("at the end of its scale");
        Operator.chooses(page, "Say what is wrong", "Firmware turned the ALC gauge round");
        page.getByText("It is this: put it right").press("Enter");
        assertThat(gauge.locator("output")).hasText(Pattern.compile("^0\\.\\d$"));
        assertThat(gauge).not().containsText("at the end of its scale");
        ends();
        assertThat(page.getByText("1 of 1", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
    }

    @Test
    public void aWholeClimbIsPractisedAndTold() {
        Page page = operator.page;
        beginsAlone("1-000007");
        assertThat(page).hasURL(Pattern.compile("/practice/[0-9a-f-]{36}$"));
        long runs = asked("/api/runs").get("all").getAsLong();
        assertTrue(operator.comesTrue(20_000, () -> panel().get("warmUpLeftS").getAsDouble() <= 0));

        for (double to : new double[] {2, 4, 8, 16, 32, 64}) {
            driven(to);
            if (to == 16) {
                operator.presses("w");
                assertTrue(operator.comesTrue(
                        10_000, () -> panel().get("range").getAsString().equals("1500 W")));
            }
            keyed(true);
            assertTrue(operator.comesTrue(10_000, () -> shows("OUTPUT") > 10));
            if (to == 4) {
                // The key is down: nothing of it is lost over a reload, and 15 s later it comes up by itself.
                page.reload();
                page.locator("[data-part=meters]").waitFor();
                boolean isDown = panel().get("keyed").getAsBoolean();
                assertThat(page.locator("[data-part=next]")).containsText(isDown ? "Key up" : "Key down");
                keyed(true);
            }
            operator.presses("ArrowRight");
            operator.presses("r");
            keyed(false);
            operator.presses("ArrowLeft");
            operator.presses("Enter");
            int steps = (int) (Math.log(to) / Math.log(2));
            assertTrue(operator.comesTrue(
                    10_000,
                    () -> asked("/api/practices/" + id())
                                    .getAsJsonArray("steps")
                                    .size()
                            == steps));
            assertThat(page.locator("[data-part=steps] li")).hasCount(steps);
            page.waitForTimeout(1500);
        }

        ends();
        assertThat(page).hasURL(Pattern.compile("/debrief$"));
        JsonObject debrief = asked("/api/practices/" + id() + "/debrief");
        int points = debrief.get("points").getAsInt();
        assertTrue(points >= 70, debrief.get("marks").toString());
        assertThat(page.locator("[data-part=points]")).hasText(points + " points of 100");
        assertEquals(debrief.getAsJsonArray("own").size(), 6);
        String last = page.locator("[data-part=replay] header").textContent();
        operator.presses("ArrowLeft");
        assertThat(page.locator("[data-part=replay] header")).not().hasText(last);

        page.navigate("/practice");
        assertThat(page.getByText("1-000007")).isVisible();
        assertThat(page.getByText("Your best: " + points)).isVisible();
        assertEquals(asked("/api/runs").get("all").getAsLong(), runs, "practice enters no log");
    }
}
