package org.tubrin.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** Whole tune-ups through the packaged application in a real browser. */
public class JourneysTest extends AtTheStation {
    private static final String[][] CLIMB = {
        {"138", "0.161", "0.008", "2.71", "5.21", "0.5"},
        {"235", "0,213", "17mA", "2.68", "5.18", "1.5"},
        {"385", "0.292", "0.036", "2.64", "5.14", "2.5"},
        {"605", "0.403", "0.079", "2.58", "5.11", "3.5"},
        {"875", "0.576", "0.149", "2.49", "5.09", "5.0"},
    };

    public JourneysTest() {
        super("journeys");
    }

    private void reads(String[] row) {
        operator.keysAndReads(row[0], row[1], row[2], row[3], row[4], row[5]);
    }

    @Test
    public void aClimbWithKeysOnlyFromTheStartPageToTheCardRow() {
        operator.startsClimb();
        operator.getsReady();
        for (String[] row : CLIMB) {
            operator.followsUntilKeying();
            reads(row);
            operator.awaits("Record the step");
            operator.follows(operator.sentence());
        }
        for (String point : List.of("exciter alone", "through the amplifier", "two-tone or speech", "reflection")) {
            operator.awaits(point);
            operator.follows(operator.sentence());
        }
        operator.awaits("Write it on the card");
        operator.presses("Enter");
        operator.page.getByText("is on the card").waitFor();
        assertThat(operator.page.locator("[data-part=afterwards]"))
                .containsText("SSB is set to 90 W. Turn it down to 70 W");
        operator.presses("g", "c");
        Locator row = operator.page
                .getByRole(com.microsoft.playwright.options.AriaRole.ROW)
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("^7 MHz.*Speech")));
        assertThat(row).containsText(Pattern.compile("5\\.09\\s*5\\.0\\s*70\\s*875\\s*576\\s*149\\s*61"));
    }

    @Test
    public void reloadBackAndASecondTabLoseAndDoubleNothing() {
        operator.startsClimb();
        operator.getsReady();
        operator.followsUntilKeying();
        reads(CLIMB[0]);
        operator.awaits("Record the step");
        operator.page.reload();
        operator.awaits("Record the step");
        assertThat(operator.entry("OUTPUT")).hasValue("138");
        operator.page.goBack();
        operator.page.goForward();
        operator.awaits("Record the step");
        assertThat(operator.entry("GRID_CURRENT")).hasValue("0.008");

        Page second = operator.anotherTab();
        second.navigate(operator.page.url());
        second.locator("input[data-entry=OUTPUT]").waitFor();
        // A tab that looks again by itself when it comes to the front would know already.
        AtomicBoolean acted = new AtomicBoolean();
        second.route("**/api/runs/**", route -> {
            acted.compareAndSet(false, route.request().method().equals("POST"));
            if (acted.get()) {
                route.resume();
            } else {
                route.abort();
            }
        });
        operator.page.bringToFront();
        operator.presses("Enter");
        operator.awaits("1.5 kW range");
        // The second tab still shows the step as open; what it does is not taken, and it is told so.
        second.bringToFront();
        second.locator("input[data-entry=OUTPUT]").fill("140");
        second.keyboard().press("Tab");
        second.getByText("This run moved on in another window").waitFor();
        second.locator("[data-part=sentence]")
                .filter(new Locator.FilterOptions().setHasText("1.5 kW range"))
                .waitFor();
        operator.page.bringToFront();
        operator.page.reload();
        operator.awaits("1.5 kW range");
        assertThat(operator.page
                        .locator("[data-part=step-table] tbody tr")
                        .nth(1)
                        .locator("td")
                        .first())
                .hasText("138");
        assertThat(operator.entry("OUTPUT")).hasValue("");
    }

    @Test
    public void badEntriesAreToldWhyAndNothingIsLost() {
        operator.startsClimb();
        operator.getsReady();
        operator.followsUntilKeying();
        operator.entry("OUTPUT").fill("138");
        operator.entry("OUTPUT").press("Tab");
        assertThat(operator.page.locator("[data-part=stair]")).hasAttribute("aria-label", Pattern.compile("138"));
        String[][] bad = {
            {"abc", "is not a number"},
            {"-5", "below zero"},
            {"1e9", "is not a number"},
            {"12 V", "unit of something else"},
            {"99999999", "beyond the range"},
        };
        for (String[] one : bad) {
            operator.entry("OUTPUT").fill(one[0]);
            operator.entry("OUTPUT").press("Tab");
            assertThat(operator.page.locator("#about-OUTPUT")).containsText(one[1]);
            assertThat(operator.entry("OUTPUT")).hasValue(one[0]);
        }
        operator.page.reload();
        assertThat(operator.entry("OUTPUT")).hasValue("138");

        operator.entry("PLATE_VOLTAGE").fill("27.1");
        operator.entry("PLATE_VOLTAGE").press("Tab");
        assertThat(operator.page.locator("#about-PLATE_VOLTAGE")).containsText("Is it so?");
        assertThat(operator.entry("PLATE_VOLTAGE")).hasValue("27.1");
        operator.page.getByText("Yes, keep it").click();
        assertThat(operator.page.locator("#about-PLATE_VOLTAGE")).hasCount(0);
        assertThat(operator.entry("PLATE_VOLTAGE")).hasValue("27.1");

        operator.entry("LOAD").fill("11");
        operator.entry("LOAD").press("Tab");
        assertThat(operator.page.locator("#about-LOAD")).containsText("0 to 10");
    }

    @Test
    public void theArrowKeysTurnTheDialsAtOnce() {
        operator.startsClimb();
        operator.getsReady();
        operator.followsUntilKeying();
        Locator plate = operator.page.locator("[data-part=dial-PLATE] output");
        String before = plate.innerText();
        operator.presses("ArrowRight", "ArrowRight", "Shift+ArrowRight");
        double moved = Double.parseDouble(plate.innerText()) - Double.parseDouble(before);
        assertEquals(moved, 0.22, 1e-9);
        assertThat(operator.entry("PLATE")).hasValue(plate.innerText());
        operator.presses("d");
        assertThat(operator.entry("DRIVE")).hasValue("8.8");
    }

    @Test
    public void whileTheServerIsAwayEntriesWaitAndThenGoOut() {
        operator.startsClimb();
        operator.getsReady();
        operator.followsUntilKeying();
        reads(CLIMB[0]);
        operator.awaits("Record the step");
        operator.presses("Enter");
        operator.followsUntilKeying();

        app.powerCut();
        operator.entry("OUTPUT").fill("235");
        operator.entry("OUTPUT").press("Tab");
        operator.page.getByText("Not saved yet").waitFor();
        assertThat(operator.entry("OUTPUT")).hasValue("235");
        operator.stumbles.clear();
        app.start();
        operator.page
                .getByText("Not saved yet")
                .waitFor(new Locator.WaitForOptions()
                        .setState(com.microsoft.playwright.options.WaitForSelectorState.DETACHED));
        operator.page.reload();
        assertThat(operator.entry("OUTPUT"))
                .hasValue("235", new LocatorAssertions.HasValueOptions().setTimeout(10_000));
        assertThat(operator.page
                        .locator("[data-part=step-table] tbody tr")
                        .nth(1)
                        .locator("td")
                        .first())
                .hasText("138");
        operator.entry("PLATE_CURRENT").fill("0.213");
        operator.entry("PLATE_CURRENT").press("Tab");
        operator.awaits("Enter grid current");
    }

    @Test
    public void aCardPrintsOnOnePage() {
        operator.page.navigate("/cards");
        operator.page.locator("[data-part=card]").first().waitFor();
        byte[] pdf = operator.page.pdf(new Page.PdfOptions().setFormat("A4").setLandscape(true));
        String text = new String(pdf, StandardCharsets.ISO_8859_1);
        assertTrue(
                Pattern.compile("/Type\\s*/Pages[^>]*/Count 1\\b").matcher(text).find(), "more than one page");
    }

    @Test
    public void tablesAndBackupCanBeSaved() throws Exception {
        operator.page.navigate("/cards");
        Download cards = operator.page.waitForDownload(() -> operator.page
                .getByText("CSV", new Page.GetByTextOptions().setExact(true))
                .click());
        assertTrue(new String(cards.createReadStream().readAllBytes(), StandardCharsets.UTF_8)
                .startsWith("amplifier,band,"));
        operator.page.navigate("/drive");
        Download drawing = operator.page.waitForDownload(() -> {
            operator.page
                    .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Save as"))
                    .first()
                    .press("Enter");
            operator.page
                    .getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("SVG, the drawing"))
                    .click();
        });
        assertTrue(new String(drawing.createReadStream().readAllBytes(), StandardCharsets.UTF_8).startsWith("<svg"));
        operator.page.navigate("/station");
        Download backup = operator.page.waitForDownload(
                () -> operator.page.getByText("Save a backup").click());
        assertEquals(backup.suggestedFilename().replaceAll("\\d", "0"), "tubrin-0000-00-00.json");
        operator.page.getByLabel("Restore from a file").setInputFiles(backup.path());
        operator.page.getByText("replaces everything").waitFor();
        operator.page.getByText("Replace everything …").click();
        operator.page
                .getByRole(AriaRole.ALERTDIALOG)
                .getByText("Replace everything", new Locator.GetByTextOptions().setExact(true))
                .click();
        operator.page.getByText("Restored: Skerry Point").first().waitFor();
    }

    @Test
    public void anEquipmentRecordIsEditedAndRefusedByField() {
        operator.page.navigate("/station");
        operator.page.getByText("Ballast 1000").click();
        Locator resistance = operator.page.locator("[data-field=resistanceColdOhm]");
        resistance.fill("-3");
        operator.page
                .getByText("Save", new Page.GetByTextOptions().setExact(true))
                .click();
        operator.page.getByText("Enter a value within 1 to 1,000 Ω.").waitFor();
        resistance.fill("51,9");
        operator.page
                .getByText("Save", new Page.GetByTextOptions().setExact(true))
                .click();
        operator.page
                .getByText("Runs made before hold the record as it was.")
                .first()
                .waitFor();
        operator.page.reload();
        assertThat(resistance).hasValue("51.9");
    }
}
