package org.tubrin.e2e;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Holds every view of the demo station free of what axe finds, in both themes: full and with errors. */
public class AccessibilityTest {
    private App full;

    @BeforeClass
    public void startTheApplication() {
        full = App.fresh("axe-full", true);
    }

    @AfterClass(alwaysRun = true)
    public void stopTheApplication() {
        full.close();
    }

    @Test
    public void fullViews() {
        try (Operator operator = new Operator(full.url(), ColorScheme.LIGHT)) {
            Page page = operator.page;
            page.navigate("/tune");
            page.getByText("Go on with it").waitFor();
            page.locator("[data-part=stair-ahead]").waitFor();
            page.getByText("Rarely changed").click();
            operator.opensNode("Meters");
            Axe.check(page, "start");
            operator.presses("Escape");
            page.locator("body").evaluate("() => document.activeElement.blur()");
            operator.presses("r");
            page.locator("[data-part=room] li button").first().click();
            page.locator("[data-part=calculation]").waitFor();
            Axe.check(page, "climb in progress, a figure opened");
            operator.presses("Escape");
            operator.presses("f");
            page.locator("[data-part=glance]").waitFor();
            Axe.check(page, "glance");
            operator.presses("Escape");
            page.getByText("Sound off").click();
            page.getByText("Peak tone").waitFor();
            Axe.check(page, "sound");
            operator.presses("Escape");
            page.navigate("/cards");
            page.locator("[data-part=card]").first().waitFor();
            page.getByLabel("MHz, 7 to 7.2").fill("14.2");
            page.getByText("Find the dials").click();
            page.getByRole(AriaRole.ALERT).waitFor();
            Axe.check(page, "cards, dials refused");
            page.getByLabel("MHz, 7 to 7.2").fill("7.2");
            page.getByText("Find the dials").click();
            page.getByText("Stay within").waitFor();
            Axe.check(page, "cards");
            supplies(page);
            page.navigate("/drive");
            page.locator("[data-part=guard]").waitFor();
            Axe.check(page, "drive");
            page.navigate("/faults");
            page.getByText("Reception weak").last().click();
            page.locator("[data-part=next-check]").waitFor();
            page.getByText("Other checks").click();
            Axe.check(page, "a case, other checks opened");
            practices(page);
            page.navigate("/drive/sweep");
            page.getByText("more than before").waitFor();
            Axe.check(page, "one drive before and since");
            page.navigate("/drive/chain");
            page.locator("[data-part=chain-stair]").waitFor();
            page.getByText("Measured, not believed").click();
            Axe.check(page, "chain");
            page.navigate("/drive/matcher");
            page.locator("[data-part=match-bands]").waitFor();
            Axe.check(page, "matcher");
            page.navigate("/drive/alc");
            page.locator("[data-part=level-stair]").waitFor();
            page.getByText("Meters, band, load and tones").click();
            Axe.check(page, "levels");
            page.navigate("/drive/bias");
            page.locator("[data-part=bias-stair]").waitFor();
            page.getByText("Pots, gate, load, readings").click();
            Axe.check(page, "idle currents");
            page.navigate("/drive/waveform");
            page.locator("[data-part=looks]").waitFor();
            Axe.check(page, "waveforms");
            page.navigate("/drive/volts");
            page.locator("[data-part=volts-rows]").waitFor();
            Axe.check(page, "supply volts");
            page.navigate("/drive/resonance");
            page.locator("[data-part=wander]").waitFor();
            Axe.check(page, "resonance");
            page.navigate("/log/trends");
            page.locator("[data-part=trend]").first().waitFor();
            Axe.check(page, "trends");
            comparesAMeter(page);
            Axe.check(page, "meters");
            page.navigate("/log/changes");
            page.getByText("Save the change").click();
            page.locator("[data-part=changes]").waitFor();
            Axe.check(page, "changes");
            page.getByText("Delete").first().click();
            page.getByText("Nothing was changed yet").waitFor();
            page.navigate("/log");
            page.getByText("on the card").first().waitFor();
            Axe.check(page, "log");
            page.getByText("on the card").first().locator("xpath=../td[2]/a").click();
            page.getByText("On the air").waitFor();
            page.locator("[data-part=learning]").waitFor();
            Axe.check(page, "finished run");
            page.navigate("/log");
            page.locator("tbody [role=checkbox]").nth(1).check();
            page.locator("tbody [role=checkbox]").nth(2).check();
            page.getByText("Compare the two").click();
            page.getByText("Second less first").waitFor();
            Axe.check(page, "two runs");
            page.navigate("/station");
            page.getByText("Yardarm", new Page.GetByTextOptions().setExact(true))
                    .click();
            page.getByText("41 points").waitFor();
            Axe.check(page, "an antenna");
            page.navigate("/station");
            page.getByText("What is missing").waitFor();
            Axe.check(page, "station");
            page.navigate("/station/new/instrument");
            page.locator("[data-field='queries.0.query']").waitFor();
            page.getByText("Try it").click();
            page.getByText("Fill in the fields first").waitFor();
            Axe.check(page, "a new instrument");
            page.navigate("/station");
            page.getByText("What is missing").waitFor();
            fillsSheet(page);
            Axe.check(page, "a twin from a sheet");
            page.navigate("/station");
            page.getByText("Brigantine panel").click();
            page.locator("[data-field=name]").waitFor();
            Axe.check(page, "a meter");
            page.navigate("/station/new/amplifier");
            page.getByText("Save", new Page.GetByTextOptions().setExact(true)).click();
            page.getByText("fields need fixing").waitFor();
            Axe.check(page, "a new amplifier with errors");
            operator.page.navigate("/tune/00000000-0000-0000-0000-000000000000");
            page.getByText("Not there").waitFor();
            Axe.check(page, "no such run");
        }
    }

    /** Plans, a measured set and a high voltage: as they are, changed, and refused. */
    private static void supplies(Page page) {
        page.navigate("/supply");
        page.locator("[data-part=plan]").waitFor();
        Axe.check(page, "a plan");
        Operator.chooses(page, "Beside", "this plan as saved");
        Operator.chooses(page, "Lead", "2 × 16 mm²");
        page.locator("[data-part=beside]").waitFor();
        page.locator("[data-part=what-if] input").nth(1).fill("0.001");
        page.getByRole(AriaRole.ALERT).waitFor();
        Axe.check(page, "a plan, changed and refused");
        page.getByText("Edit", new Page.GetByTextOptions().setExact(true)).click();
        page.locator("[data-field='lead.fuseA']").fill("x");
        page.getByText("Save", new Page.GetByTextOptions().setExact(true)).click();
        page.getByText("One field needs fixing.").waitFor();
        Axe.check(page, "the form of a plan");
        page.getByText("Measured sets").click();
        Axe.check(page, "the shelf");
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Halyard 100 on Bilge 30"))
                .click();
        page.getByText("rises on transmit").first().waitFor();
        Axe.check(page, "a supply that rises");
        Operator.goesTo(page, "Measured sets", "Halyard 100 at 13.8 V");
        page.getByText("Enough: the profile stands").waitFor();
        Axe.check(page, "a measured set");
        Operator.goesTo(page, "High voltage", "Brigantine");
        page.getByText("After switch-off, if every bleeder works").waitFor();
        Axe.check(page, "a high voltage");
    }

    /** Compares the wattmeter with a reference at four powers, and a voltage with what it shows. */
    static void comparesAMeter(Page page) {
        page.navigate("/station/meters");
        page.getByLabel("called").fill("Ballast by heat");
        page.getByLabel("Fathom, 150 W").first().uncheck();
        page.getByLabel("Fathom, 1.5 kW").first().check();
        String[][] points = {{"100", "94"}, {"202", "190"}, {"400", "375"}, {"801", "755"}};
        for (int i = 0; i < points.length; i++) {
            page.getByLabel("Reference, point " + (i + 1)).fill(points[i][0]);
            page.getByLabel("Fathom, point " + (i + 1)).fill(points[i][1]);
        }
        page.getByText("Compare", new Page.GetByTextOptions().setExact(true)).click();
        page.locator("[data-part=found]").waitFor();
        page.getByLabel("Read: 424 Vpp").fill("565 Vpp");
        page.getByLabel("shows, W").fill("640");
        page.getByText("Convert", new Page.GetByTextOptions().setExact(true)).click();
        page.getByText("They differ").waitFor();
    }

    /** Goes through the wizard of the small amplifier until its twin is found. */
    static void fillsSheet(Page page) {
        page.getByText("Coracle", new Page.GetByTextOptions().setExact(true)).click();
        page.getByText("Its twin").click();
        String[][] fields = {
            {"operations.0.plateVoltageDcV", "1700"},
            {"operations.0.plateCurrentA", "0.18"},
            {"operations.0.gridCurrentA", "0.045"},
            {"operations.0.driveW", "20"},
            {"operations.0.outputW", "190"},
        };
        for (String[] field : fields) {
            page.locator("[data-field='" + field[0] + "']").fill(field[1]);
        }
        page.getByText("Find the twin").click();
        page.locator("[data-part=fit-rows]").waitFor();
    }

    @Test
    public void viewsOfALiveRun() {
        try (Operator operator = new Operator(full.url(), ColorScheme.LIGHT)) {
            operator.startsClimb("Simulated bench");
            operator.getsReadyOnTheBench();
            operator.presses("Enter");
            operator.awaits("drive");
            operator.page.locator("[data-part=now-PLATE_CURRENT]").waitFor();
            operator.page
                    .locator("[data-part=twin-OUTPUT]")
                    .or(operator.page.locator("[data-part=sentence]"))
                    .first()
                    .waitFor();
            Axe.check(operator.page, "live");
            operator.presses("m");
            operator.page.locator("[data-part=map]").waitFor();
            Axe.check(operator.page, "map");
            operator.page
                    .getByText("Power", new Page.GetByTextOptions().setExact(true))
                    .click();
            operator.page.locator("[data-part=flows]").waitFor();
            Axe.check(operator.page, "power");
            operator.page
                    .getByText("Signal", new Page.GetByTextOptions().setExact(true))
                    .click();
            operator.page.getByText("Third order").waitFor();
            Axe.check(operator.page, "signal");
        }
    }

    @Test
    public void viewsOfARunFromItsBeginning() {
        try (Operator operator = new Operator(full.url(), ColorScheme.LIGHT)) {
            operator.startsClimb();
            Axe.check(operator.page, "before power");
            operator.presses("?");
            operator.page.getByText("Single keys work").waitFor();
            Axe.check(operator.page, "keys");
            operator.presses("Escape");
            operator.presses("/");
            operator.page.getByText("Go to Cards").waitFor();
            Axe.check(operator.page, "commands");
            operator.presses("Escape");
            operator.getsReady();
            operator.followsUntilKeying();
            operator.entry("OUTPUT").fill("abc");
            operator.entry("OUTPUT").press("Tab");
            operator.entry("PLATE_VOLTAGE").fill("27");
            operator.entry("PLATE_VOLTAGE").press("Tab");
            operator.page.locator("#about-PLATE_VOLTAGE").waitFor();
            Axe.check(operator.page, "entries with errors");
            operator.page.locator("body").click();
            operator.presses("Space");
            operator.awaits("Enter|Peak");
            Axe.check(operator.page, "key down");
        }
    }

    private static void practices(Page page) {
        page.navigate("/practice");
        page.getByText("A hidden fault").last().click();
        page.locator("[data-part=replay]").waitFor();
        Axe.check(page, "a debrief");
        page.navigate("/practice");
        page.getByText("Exercise of the week").waitFor();
        Axe.check(page, "practice");
        page.getByLabel("Begin: The first climb").click();
        page.locator("[data-part=meters]").waitFor();
        Axe.check(page, "an exercise");
    }
}
