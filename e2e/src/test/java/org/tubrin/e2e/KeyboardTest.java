package org.tubrin.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertNotEquals;

import com.microsoft.playwright.Keyboard;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Each kind of control by keys alone: opened, chosen from, left, and the focus back where it was. */
public class KeyboardTest extends AtTheStation {
    private Page page;

    public KeyboardTest() {
        super("keyboard");
    }

    @BeforeMethod
    public void looksAtThePage() {
        page = operator.page;
    }

    private Locator role(AriaRole role, String name) {
        return page.getByRole(role, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    @Test
    public void aChoiceOpensChoosesAndIsLeftAlone() {
        page.navigate("/cards");
        Locator paper = role(AriaRole.COMBOBOX, "Paper");
        paper.focus();
        operator.presses("Enter");
        assertThat(role(AriaRole.OPTION, "A4")).isFocused();
        operator.presses("ArrowDown");
        assertThat(role(AriaRole.OPTION, "Letter")).isFocused();
        operator.presses("Enter");
        assertThat(paper).hasText("Letter");
        assertThat(paper).isFocused();
        operator.presses("Enter");
        assertThat(role(AriaRole.OPTION, "Letter")).isFocused();
        operator.presses("ArrowUp", "Escape");
        assertThat(page.getByRole(AriaRole.LISTBOX)).hasCount(0);
        assertThat(paper).hasText("Letter");
        assertThat(paper).isFocused();
        // Letters choose by name, and no key of the page is taken for one.
        operator.types("A");
        assertThat(paper).hasText("A4");
        assertThat(page).hasURL(Pattern.compile("/cards$"));
    }

    @Test
    public void aMenuOpensIsLeftAndLeads() {
        page.navigate("/supply");
        page.locator("[data-part=plan]").waitFor();
        Locator menu = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Measured sets"));
        menu.focus();
        operator.presses("Enter");
        assertThat(page.getByRole(AriaRole.MENU)).isVisible();
        operator.presses("Escape");
        assertThat(page.getByRole(AriaRole.MENU)).hasCount(0);
        assertThat(menu).isFocused();
        operator.presses("Enter");
        assertThat(page.getByRole(AriaRole.MENUITEM).first()).isFocused();
        operator.presses("End");
        assertThat(page.getByRole(AriaRole.MENUITEM).last()).isFocused();
        operator.presses("Enter");
        assertThat(page).hasURL(Pattern.compile("/supply/profiles/new$"));
    }

    @Test
    public void dialogsHoldTheFocusAndGiveItBack() {
        page.navigate("/log");
        page.getByText("on the card").first().waitFor();
        Locator keys = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("keys"));
        keys.focus();
        operator.presses("Enter");
        Locator dialog = role(AriaRole.DIALOG, "Keys");
        assertThat(dialog).isVisible();
        operator.presses("Tab", "Tab", "Tab");
        assertThat(dialog.locator(":focus")).hasCount(1);
        // The keys of the page are silent below it.
        operator.presses("g", "c");
        assertThat(page).hasURL(Pattern.compile("/log$"));
        operator.presses("Escape");
        assertThat(dialog).hasCount(0);
        assertThat(keys).isFocused();
        page.locator("body").evaluate("() => document.activeElement.blur()");
        operator.presses("/");
        assertThat(role(AriaRole.DIALOG, "Commands")).isVisible();
        operator.types("cards");
        operator.presses("Enter");
        assertThat(page).hasURL(Pattern.compile("/cards$"));
    }

    @Test
    public void theListFindsWhatIsKeptAndDoesWhatTheViewCan() {
        page.navigate("/log");
        page.getByText("on the card").first().waitFor();
        operator.presses("/");
        role(AriaRole.OPTION, "Brigantine panel").waitFor();
        operator.types("brigantine panel");
        operator.presses("Enter");
        assertThat(page).hasURL(Pattern.compile("/station/[0-9a-f-]{36}$"));
        assertThat(page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)))
                .hasValue("Brigantine panel");
        page.navigate("/tune");
        page.getByText("Go on with it").waitFor();
        operator.presses("/");
        role(AriaRole.OPTION, "Go on with it").waitFor();
        operator.types("go on with it");
        operator.presses("Enter");
        assertThat(page).hasURL(Pattern.compile("/tune/[0-9a-f-]{36}$"));
        page.locator("[data-part=sentence]").waitFor();
        // A browser without a voice says so in the caption.
        operator.presses("n");
        assertThat(page.locator("[data-part=caption]")).containsText("no voice on this system");
    }

    @Test
    public void aViewIsOpenedAtItsHeadingAndGivesTheFocusBackToTheLinkThatWasFollowed() {
        page.navigate("/cards");
        page.locator("h1").waitFor();
        operator.presses("g", "l");
        assertThat(page.locator("h1")).isFocused();
        Locator run = page.getByRole(AriaRole.TABLE).getByRole(AriaRole.LINK).first();
        String where = run.getAttribute("href");
        run.focus();
        operator.presses("Enter");
        assertThat(page).hasURL(Pattern.compile(where + "$"));
        assertThat(page.locator("h1").first()).isFocused();
        page.goBack();
        assertThat(page.locator("a[href='" + where + "']")).isFocused();
    }

    @Test
    public void aRecordIsOpenedAtItsFirstFieldAndGivesTheFocusBack() {
        page.navigate("/station");
        Locator add = page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Add: Amplifier"));
        add.focus();
        operator.presses("Enter");
        assertThat(page.locator("[data-field=name]")).isFocused();
        page.goBack();
        assertThat(role(AriaRole.HEADING, "Skerry Point")).isVisible();
        assertThat(add).isFocused();
        Locator known = page.getByRole(
                AriaRole.LINK, new Page.GetByRoleOptions().setName("Fender 16").setExact(true));
        known.focus();
        operator.presses("Enter");
        assertThat(role(AriaRole.HEADING, "Fender 16")).isFocused();
        assertThat(page.getByText("Start from a type")).hasCount(0);
        operator.presses("Tab", "Tab");
        assertThat(page.locator("[data-field=name]")).isFocused();
    }

    @Test
    public void whatCannotBeUndoneIsAskedFirst() {
        page.navigate("/station");
        page.getByText("Skiff 10", new Page.GetByTextOptions().setExact(true)).click();
        Locator away = role(AriaRole.BUTTON, "Delete");
        away.focus();
        operator.presses("Enter");
        assertThat(page.getByRole(AriaRole.ALERTDIALOG)).isVisible();
        assertThat(role(AriaRole.BUTTON, "Cancel")).isFocused();
        operator.presses("Escape");
        assertThat(page.getByRole(AriaRole.ALERTDIALOG)).hasCount(0);
        assertThat(away).isFocused();
        assertThat(role(AriaRole.HEADING, "Skiff 10")).isVisible();
    }

    @Test
    public void whatWasSavedIsSaidInACornerAndCanBeClosed() {
        page.navigate("/station");
        page.getByText("Fender 16", new Page.GetByTextOptions().setExact(true)).click();
        role(AriaRole.HEADING, "Fender 16").waitFor();
        page.getByText("Save", new Page.GetByTextOptions().setExact(true)).focus();
        operator.presses("Enter");
        Locator said = page.locator("[data-part=toast]");
        assertThat(said).containsText("Fender 16 is saved.");
        assertThat(page.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("Fender 16 is saved")))
                .not()
                .hasCount(0);
        operator.presses("F8", "Tab", "Tab", "Enter");
        assertThat(said).hasCount(0);
    }

    @Test
    public void boxesAreChosenWithArrowsAndSpace() {
        page.navigate("/tune");
        Locator chosen = page.getByRole(
                AriaRole.RADIO, new Page.GetByRoleOptions().setName("7 MHz").setExact(true));
        chosen.focus();
        // A key is held for a moment, as a hand does.
        page.keyboard().press("ArrowRight", new Keyboard.PressOptions().setDelay(80));
        assertThat(role(AriaRole.RADIO, "14 MHz")).isChecked();
        assertThat(role(AriaRole.RADIO, "14 MHz")).isFocused();
        page.keyboard().press("ArrowLeft", new Keyboard.PressOptions().setDelay(80));
        assertThat(chosen).isChecked();
        Locator meters =
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Meters: ")));
        meters.focus();
        operator.presses("Enter");
        Locator meter = page.getByRole(
                AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName(Pattern.compile("^Fathom .*peak")));
        meter.focus();
        operator.presses("Space");
        assertThat(meter).isChecked();
        // The same output is read in one way at a time.
        Locator average = page.getByRole(
                AriaRole.CHECKBOX,
                new Page.GetByRoleOptions().setName("Fathom Output").setExact(true));
        assertThat(average).not().isChecked();
        average.focus();
        operator.presses("Space");
        assertThat(average).isChecked();
        assertThat(meter).not().isChecked();
        operator.presses("Escape");
        assertThat(meters).isFocused();
        // A digit is a band, until something is typed into a field.
        operator.presses("4");
        assertThat(role(AriaRole.RADIO, "14 MHz")).isChecked();
        assertThat(page.locator("[data-part=stair-ahead]"))
                .hasAttribute("aria-label", Pattern.compile("^The climb to come: .* W at 70 W of drive$"));
    }

    @Test
    public void placesAndWaysToLookAreLinksThatEnterFollows() {
        page.navigate("/tune");
        page.getByText("Go on with it").waitFor();
        operator.presses("r");
        page.locator("[data-part=stair]").waitFor();
        role(AriaRole.LINK, "Climb").focus();
        operator.presses("ArrowRight");
        assertThat(role(AriaRole.LINK, "Map")).isFocused();
        operator.presses("Enter");
        page.locator("[data-part=map]").waitFor();
        assertThat(role(AriaRole.LINK, "Map")).hasAttribute("aria-current", "page");
        Locator fold = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("As a table"));
        fold.focus();
        operator.presses("Enter");
        assertThat(fold).hasAttribute("aria-expanded", "true");
        assertThat(page.getByRole(
                        AriaRole.TABLE, new Page.GetByRoleOptions().setName("Output in watts over both dials")))
                .isVisible();
        operator.presses("Space");
        assertThat(fold).hasAttribute("aria-expanded", "false");
        assertThat(fold).isFocused();
        // After a click the arrows belong to the dials again.
        String before = page.locator("[data-part=dial-PLATE] output").innerText();
        role(AriaRole.LINK, "Climb").click();
        operator.presses("ArrowRight");
        assertNotEquals(page.locator("[data-part=dial-PLATE] output").innerText(), before);
        operator.presses("ArrowLeft");
        // And after a choice that was made with the pointer.
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName(Pattern.compile("^Range of")))
                .first()
                .click();
        page.getByRole(AriaRole.OPTION).last().click();
        operator.presses("m");
        page.locator("[data-part=map]").waitFor();
    }

    @Test
    public void aFigureOpensToItsCalculation() {
        page.navigate("/log");
        page.getByText("on the card").first().locator("xpath=../td[2]/a").click();
        // A reading opens to its parts, a figure to what it was calculated from.
        page.locator("[data-part=step-table] button").first().click();
        assertThat(page.locator("[data-part=calculation]")).containsText("Read");
        operator.presses("Escape");
        Locator growth = page.getByRole(
                        AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Growth ")))
                .first();
        growth.focus();
        operator.presses("Enter");
        Locator calculation = page.getByRole(
                AriaRole.DIALOG,
                new Page.GetByRoleOptions().setName(Pattern.compile("^Growth .* how it was calculated")));
        assertThat(calculation).containsText("±");
        operator.presses("Escape");
        assertThat(calculation).hasCount(0);
        assertThat(growth).isFocused();
    }

    @Test
    public void aRatingIsMovedOnAnUprightScaleAndSpoken() {
        page.navigate("/supply");
        Locator rating = page.getByRole(AriaRole.SLIDER).first();
        rating.focus();
        assertThat(rating).hasAttribute("aria-orientation", "vertical");
        assertThat(rating).hasAttribute("aria-valuenow", "40");
        operator.presses("ArrowDown");
        assertThat(rating).hasAttribute("aria-valuenow", "39");
        assertThat(rating).hasAttribute("aria-valuetext", Pattern.compile("^39 A, "));
        operator.presses("PageDown");
        assertThat(rating).hasAttribute("aria-valuenow", "29");
        operator.presses("PageUp");
        assertThat(rating).hasAttribute("aria-valuenow", "39");
        operator.presses("Home");
        assertThat(rating).hasAttribute("aria-valuenow", "1");
        operator.presses("End");
        assertNotEquals(rating.getAttribute("aria-valuenow"), "1");
        page.getByText("Put back").click();
        assertThat(rating).hasAttribute("aria-valuenow", "40");
    }

    @Test
    public void theLampIsASwitch() {
        page.navigate("/log");
        Locator lamp = role(AriaRole.SWITCH, "Lamp");
        lamp.focus();
        operator.presses("Space");
        assertThat(lamp).isChecked();
        assertThat(page.locator("html")).hasAttribute("data-theme", "lamp");
        operator.presses("Space");
        assertThat(page.locator("html")).hasAttribute("data-theme", "day");
    }

    /** On the bench with the key down: from wherever the focus stands Space lets it go, from a field Escape. */
    @Test
    public void theKeyIsLetGoFromEverywhere() {
        operator.startsClimb("Simulated bench");
        operator.getsReadyOnTheBench();
        operator.followsUntilKeying();
        String run = page.url();
        keysAndLetsGo("Space", () -> role(AriaRole.BUTTON, "PLATE up").focus());
        keysAndLetsGo(
                "Space",
                () -> page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Signal"))
                        .focus());
        Locator range =
                page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName(Pattern.compile("^Range of")));
        keysAndLetsGo("Space", () -> range.first().focus());
        keysAndLetsGo("Space", () -> {
            range.first().focus();
            operator.presses("Enter");
            assertThat(page.getByRole(AriaRole.LISTBOX)).isVisible();
        });
        operator.presses("Escape");
        keysAndLetsGo("Space", () -> {
            operator.presses("?");
            assertThat(page.getByRole(AriaRole.DIALOG)).isVisible();
        });
        operator.presses("Escape");
        keysAndLetsGo("Escape", () -> operator.entry("OUTPUT").focus());
        keysAndLetsGo("Space", () -> {
            role(AriaRole.LINK, "Supply").click();
            Locator menu = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Plans"));
            menu.focus();
            operator.presses("Enter");
            assertThat(page.getByRole(AriaRole.MENU)).isVisible();
        });
        page.navigate(run);
        assertThat(page.locator("[data-part=clock]")).not().containsText("Key down");
    }

    private void keysAndLetsGo(String key, Runnable focuses) {
        page.locator("body").evaluate("() => document.activeElement.blur()");
        operator.presses("Space");
        Locator keyed = page.locator("[data-part=keyed]");
        assertThat(keyed).isVisible();
        focuses.run();
        assertThat(keyed).isVisible();
        operator.presses(key);
        assertThat(keyed).hasCount(0);
    }
}
