package org.tubrin.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.testng.annotations.Test;

/** From an empty station to a printed plan: a set measured on the bench, a lead that is too thin, and a thicker one. */
public class SupplyJourneyTest {
    private static final int READINGS = 6;

    private static void fills(Page page, String field, String text) {
        page.locator("[data-field='" + field + "']").fill(text);
    }

    private static void keeps(Page page) {
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Save").setExact(true))
                .click();
    }

    private static Locator next(Page page) {
        return page.getByLabel("Next reading");
    }

    private static void describesTheSupply(Page page) {
        page.navigate("/station/new/supply");
        fills(page, "name", "Capstan 25");
        fills(page, "continuousA", "20");
        fills(page, "intermittentA", "25");
        fills(page, "intermittentShare", "50");
        keeps(page);
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Capstan 25"))
                .waitFor();
    }

    /** Reads the set with keys only, each reading as the page asks for it. */
    private static void measuresOnTheBench(App app, Operator operator) {
        Page page = operator.page;
        page.navigate("/supply");
        page.getByText("Measure a set").last().click();
        Operator.chooses(page, "on one of its supplies", "Capstan 25");
        fills(page, "set", "Halyard 100");
        fills(page, "name", "Halyard on Capstan");
        fills(page, "greatestW", "100");
        keeps(page);
        assertThat(next(page)).containsText("Listen, then read");
        page.getByText("Read the bench's meters").click();
        next(page).getByText("Bench supply meter").first().waitFor();
        for (int i = 0; i < READINGS; i++) {
            if (i > 0) {
                assertThat(next(page)).containsText("Key");
                operator.presses("Space");
                page.locator("[data-part=clock]").getByText("Key down").first().waitFor();
                operator.settles("bench-reading");
            }
            readsUntilAllIsThere(operator);
            if (i > 0) {
                operator.presses("Space");
            }
            operator.presses("Enter");
            assertThat(page.getByLabel("Read so far").locator("tbody tr")).hasCount(i + 1);
            if (i == 2) {
                // Nothing of what was read is lost with the server.
                String where = page.url();
                app.killServer();
                app.start();
                page.navigate(app.url() + where.substring(where.indexOf("/supply")));
                assertThat(page.getByLabel("Read so far").locator("tbody tr")).hasCount(i + 1);
                next(page).getByText("Bench supply meter").first().waitFor();
            }
        }
        assertThat(next(page)).containsText("Enough: the profile stands");
    }

    private static void readsUntilAllIsThere(Operator operator) {
        Locator voltage = next(operator.page).getByLabel("Voltage, V");
        for (int i = 0; i < 10 && voltage.inputValue().isEmpty(); i++) {
            operator.presses("r");
            operator.comesTrue(400, () -> !voltage.inputValue().isEmpty());
        }
        assertThat(voltage).not().hasValue("");
    }

    private static void plans(Page page) {
        page.navigate("/supply/plans/new");
        fills(page, "name", "Shack");
        Operator.chooses(page, "Supply", "Capstan 25");
        Operator.chooses(page, "Add a measured set", "Halyard on Capstan");
        fills(page, "boxes.0.leastV", "12.4");
        fills(page, "boxes.0.fuseA", "25");
        page.getByText("Add a transmission").click();
        fills(page, "lead.lengthM", "-7");
        fills(page, "lead.areaM2", "4");
        keeps(page);
        page.getByText("One field needs fixing.").waitFor();
        assertThat(page.locator("[data-field='lead.lengthM']")).isFocused();
        fills(page, "lead.lengthM", "7");
        keeps(page);
        page.locator("[data-part=plan]").waitFor();
    }

    @Test
    public void fromAnEmptyStationToAPrintedPlan() {
        App app = App.besideBench("supply");
        Process bench = app.startBench();
        try (app;
                Operator operator = new Operator(app.url())) {
            Page page = operator.page;
            describesTheSupply(page);
            measuresOnTheBench(app, operator);
            plans(page);
            Locator verdict = page.getByLabel("Verdict");
            assertThat(verdict).containsText("The lead is too thin");
            assertThat(page.locator("[data-part=voltage-stair]")).isVisible();
            Operator.chooses(page, "Lead", "2 × 16 mm²");
            assertThat(verdict).containsText("Capstan 25 carries");
            keeps(page);
            assertThat(page.getByText("Put back")).hasCount(0);
            page.reload();
            assertThat(verdict).containsText("Capstan 25 carries");
            byDraggingARating(page, verdict);
            page.emulateMedia(new Page.EmulateMediaOptions().setMedia(com.microsoft.playwright.options.Media.PRINT));
            assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Shack")))
                    .isVisible();
            assertThat(page.locator("[data-part=what-if]")).isHidden();
            String pdf = new String(page.pdf(), StandardCharsets.ISO_8859_1);
            assertTrue(pdf.startsWith("%PDF"));
            assertEquals(operator.stumbles, List.of());
        } finally {
            bench.destroy();
        }
    }

    /** A rating pulled below the peak is at once too little; arrows do the same. */
    private static void byDraggingARating(Page page, Locator verdict) {
        Locator rating = page.getByRole(AriaRole.SLIDER).last();
        rating.focus();
        for (int i = 0; i < 8; i++) {
            page.keyboard().press("ArrowDown");
        }
        assertThat(verdict).containsText("The peak is too much for the supply");
        page.getByText("Put back").click();
        assertThat(verdict).containsText("Capstan 25 carries");
    }
}
