package org.tubrin.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import java.util.List;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** What the operator sees and keeps when the machine stumbles under them. */
public class OutageTest {
    private App app;

    @BeforeClass
    public void startTheApplication() {
        app = App.fresh("outage", true);
    }

    @AfterClass(alwaysRun = true)
    public void stopTheApplication() {
        if (app != null) {
            app.close();
        }
    }

    @Test
    public void whatIsTypedWhileTheDatabaseIsAwayIsSaidToWaitAndIsThereAfterwards() {
        try (Operator operator = new Operator(app.url())) {
            operator.startsClimb();
            operator.getsReady();
            operator.followsUntilKeying();
            operator.presses("Space");
            operator.awaits("Peak, read");
            operator.presses("Space");
            operator.page.locator("[data-part=clock]").getByText("Resting").waitFor();
            app.holdDatabase();
            operator.presses("r");
            for (String text : List.of("138", "0.161")) {
                operator.types(text);
                operator.presses("Enter");
            }
            Locator said = operator.page.getByText("Not saved yet: output “138”");
            said.waitFor(new Locator.WaitForOptions().setTimeout(1500));
            assertThat(operator.entry("OUTPUT")).hasAttribute("data-waiting", "true");
            operator.triesAgain(3);
            for (String text : List.of("0.008", "2.71")) {
                operator.types(text);
                operator.presses("Enter");
            }
            operator.triesAgain(2);
            operator.page.reload();
            app.letDatabaseGo();
            assertThat(operator.page.getByText("Not saved yet"))
                    .hasCount(0, new LocatorAssertions.HasCountOptions().setTimeout(30_000));
            operator.page.reload();
            assertThat(operator.entry("OUTPUT")).hasValue("138");
            assertThat(operator.entry("PLATE_CURRENT")).hasValue("0.161");
            assertThat(operator.entry("GRID_CURRENT")).hasValue("0.008");
            assertThat(operator.entry("PLATE_VOLTAGE")).hasValue("2.71");
        }
    }

    @Test
    public void sevenLiveWindowsLeaveTheKeyFree() {
        try (Operator operator = new Operator(app.url())) {
            operator.startsClimb("Simulated bench");
            operator.getsReadyOnTheBench();
            operator.followsUntilKeying();
            for (int i = 0; i < 7; i++) {
                Page tab = operator.anotherTab();
                tab.navigate(operator.page.url());
                tab.locator("[data-part=sentence]").waitFor();
                // Each shows live readings, though one window alone reads the stream.
                tab.locator("[data-part=now-OUTPUT]").waitFor();
            }
            operator.page.bringToFront();
            operator.presses("Space");
            Locator keyed = operator.page.locator("[data-part=keyed]");
            keyed.waitFor(new Locator.WaitForOptions().setTimeout(5000));
            operator.page.navigate("/station");
            keyed.waitFor();
            operator.page
                    .getByRole(com.microsoft.playwright.options.AriaRole.LINK)
                    .first()
                    .focus();
            operator.presses("Space");
            assertThat(keyed).hasCount(0, new LocatorAssertions.HasCountOptions().setTimeout(3000));
            assertEquals(operator.stumbles, List.of());
        }
    }

    @Test
    public void aSecondStartFindsTheFirstAndLeavesItAlone() {
        String said = app.startsTwice();
        assertTrue(said.startsWith("4 ") && said.contains(app.url()), said);
        try (Operator operator = new Operator(app.url())) {
            operator.page.navigate("/tune");
            operator.page.getByText("Start the climb").waitFor();
        }
    }

    @Test(priority = 1)
    public void aStartAfterOneThatWasKilledEndsWhatItLeft() {
        app.killStart();
        app.start();
        try (Operator operator = new Operator(app.url())) {
            operator.page.navigate("/tune");
            operator.page.getByText("Start the climb").waitFor();
        }
    }
}
