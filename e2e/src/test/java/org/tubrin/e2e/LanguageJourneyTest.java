package org.tubrin.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** The page in another language, chosen by hand in the middle of a climb. */
public class LanguageJourneyTest extends AtTheStation {
    private static final List<String> VIEWS = List.of(
            "/tune",
            "/drive",
            "/drive/guard",
            "/drive/sweep",
            "/drive/chain",
            "/drive/matcher",
            "/drive/alc",
            "/drive/bias",
            "/drive/waveform",
            "/drive/volts",
            "/drive/resonance",
            "/supply",
            "/cards",
            "/log",
            "/log/trends",
            "/log/changes",
            "/station",
            "/station/meters",
            "/practice",
            "/faults");

    public LanguageJourneyTest() {
        super("language");
    }

    private void speaks(String name) {
        operator.page
                .getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^(Language|Sprache|Idioma) ")))
                .press("Enter");
        operator.page
                .getByRole(AriaRole.MENUITEMRADIO, new Page.GetByRoleOptions().setName(name))
                .press("Enter");
    }

    private Object lang() {
        return operator.page.evaluate("document.documentElement.lang");
    }

    @Test
    public void aClimbGoesOnInGermanWithCommasAndEndsInSpanish() {
        operator.page.navigate("/tune");
        operator.page.getByText("Go on with it").waitFor();
        operator.presses("r");
        operator.awaits("LOAD .* heavier");
        speaks("Deutsch");
        operator.awaits("LOAD 1,23 Teilstriche fester, von 3,8 auf 5,03");
        assertEquals(lang(), "de");
        Axe.check(operator.page, "climb in German");
        operator.follows(operator.sentence());
        operator.awaits("Ansteuerung hinauf, von 35 auf 70 W");
        operator.follows(operator.sentence());
        operator.awaits("Tasten mit 70 W");
        operator.presses("Space");
        operator.awaits("Maximum, ablesen");
        operator.presses("Space");
        operator.page.locator("[data-part=clock]").getByText("Pause").waitFor();
        operator.presses("r");
        for (String text : List.of("etwa 880", "0,59", "0,13", "2,46")) {
            operator.types(text);
            operator.presses("Enter");
        }
        assertThat(operator.entry("PLATE_VOLTAGE")).hasValue("2,46");
        operator.page.reload();
        assertThat(operator.entry("PLATE_CURRENT")).hasValue("0,59");
        operator.page.getByText("Abstimmen").first().waitFor();
        speaks("Español");
        operator.page.getByText("Próxima jugada").first().waitFor();
        assertEquals(lang(), "es");
        assertThat(operator.entry("GRID_CURRENT")).hasValue("0,13");
        for (String place : List.of("/tune", "/drive", "/supply", "/cards", "/log", "/station")) {
            operator.page.navigate(place);
            operator.page.locator("h1, h2").first().waitFor();
            assertThat(operator.page).hasTitle(Pattern.compile(".* · Tubrin"));
        }
        Axe.check(operator.page, "station in Spanish");
    }

    /** Returns what there is to say of a view that is wider than the screen. */
    private List<String> tooWide(String view) {
        operator.page.navigate(view);
        operator.page.locator("#main h1, #main h2").first().waitFor();
        assertThat(operator.page.locator("[data-part=skeleton]")).hasCount(0);
        Object wide = operator.page.evaluate("document.documentElement.scrollWidth");
        return wide.equals(1280) ? List.of() : List.of(lang() + " " + view + ": " + wide);
    }

    /** Of a demo that holds something in every view; words of these languages are longer than the English ones. */
    @Test
    public void viewsFitTheScreenInGermanAndInSpanish() {
        operator.page.navigate("/cards");
        List<String> tooWide = new ArrayList<>();
        speaks("Deutsch");
        for (String view : VIEWS) {
            tooWide.addAll(tooWide(view));
        }
        speaks("Español");
        for (String view : List.of("/tune", "/drive/volts", "/drive/resonance", "/supply", "/log", "/station/meters")) {
            tooWide.addAll(tooWide(view));
        }
        assertEquals(tooWide, List.of());
    }
}
