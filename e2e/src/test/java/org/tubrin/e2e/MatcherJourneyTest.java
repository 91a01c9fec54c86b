package org.tubrin.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.google.gson.JsonArray;
import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** A matcher tuned by keys on the simulated bench, whose power amplifier was left on; and a known load, typed. */
public class MatcherJourneyTest extends AtTheStation {
    private static final int MOST_MOVES = 120;

    public MatcherJourneyTest() {
        super("matcher");
    }

    @BeforeMethod
    public void nothingIsGoing() {
        operator.abandonsWhatIsGoing();
    }

    private void starts(String source, String into) {
        operator.page.navigate("/drive/matcher");
        Operator.chooses(operator.page, "Into", into);
        operator.page.getByLabel("Frequency, MHz").fill("7.19");
        Operator.chooses(operator.page, "Readings", source);
        operator.page.getByText("Start with the points").click();
        operator.awaits("\\?$");
        operator.page.locator("body").evaluate("() => document.activeElement.blur()");
    }

    /** Follows the next move on the bench until it is to be kept; returns what was said. */
    private List<String> follows() {
        List<String> told = new ArrayList<>();
        while (!operator.sentence().startsWith("Save")) {
            String said = operator.sentence();
            told.add(said);
            assertTrue(told.size() < MOST_MOVES, told.toString());
            if (said.startsWith("Key at")) {
                operator.presses("Space");
                // The matcher takes a second or two.
                operator.page.waitForTimeout(3200);
                operator.presses("r");
                operator.page.waitForTimeout(400);
                operator.presses("Space");
                operator.comesTrue(3000, () -> !operator.sentence().equals(said));
            } else if (said.startsWith("Rest")) {
                operator.awaits("^(?!Rest)");
            } else {
                operator.follows(said);
            }
        }
        return told;
    }

    /** Follows the next move until the key is to go down; a rest is waited for. */
    private void goesOnToTheKey() {
        for (String said = operator.sentence(); !said.startsWith("Key at"); said = operator.sentence()) {
            if (said.startsWith("Rest")) {
                operator.awaits("^(?!Rest)");
            } else {
                operator.follows(said);
            }
        }
    }

    private static int place(List<String> told, String begins) {
        for (int i = 0; i < told.size(); i++) {
            if (told.get(i).startsWith(begins)) {
                return i;
            }
        }
        throw new AssertionError(begins + " was not said: " + told);
    }

    @Test
    public void aPowerAmplifierThatWasLeftOnRefusesTheTuning() {
        starts("Simulated bench", "Yardarm");
        goesOnToTheKey();
        operator.presses("Space");
        operator.page.waitForTimeout(2500);
        operator.presses("r");
        operator.page.waitForTimeout(400);
        operator.presses("Space");
        operator.awaits("Record");
        operator.presses("Enter");
        operator.awaits("Switch the power amplifier off");
        assertThat(operator.page.locator("[data-part=match-PROVE]")).containsText("Not proven: no tuning.");
        assertThat(operator.page.getByText("Nothing is tuned until it is off.")).isVisible();
        // A reload loses nothing.
        operator.page.reload();
        operator.awaits("Switch the power amplifier off");
        List<String> told = follows();
        assertTrue(
                place(told, "Matcher in line") > place(told, "Switch the power amplifier off")
                        && place(told, "Now switch the power amplifier on") > place(told, "Drive down"),
                told.toString());
        assertThat(operator.page.locator("[data-part=match-FIRST]")).containsText("It amplifies into the match.");
        operator.presses("Enter");
        operator.page.getByText("What the matcher did on 7 MHz is saved.").waitFor();
        operator.page.getByText("See the matchers").click();
        operator.page.locator("[data-part=match-bands]").waitFor();
        JsonObject first = matchers().get(0).getAsJsonObject();
        assertEquals(first.get("came").getAsString(), "matched");
        assertTrue(Double.parseDouble(first.get("matched").getAsString().split("\u2009")[0]) <= 1.5, first.toString());
    }

    private JsonArray matchers() {
        JsonElement page = JsonParser.parseString(
                operator.page.request().get(app.url() + "/api/drive/matcher").text());
        return page.getAsJsonObject().getAsJsonArray("rows");
    }

    /** 150 Ω read off meters: at 0.7 W the SWR meter says 4.2, and at 3.75 W the matcher does its work. */
    @Test
    public void aKnownLoadProvesTheReachTyped() {
        starts("Typed", "Trestle 150");
        goesOnToTheKey();
        keysAndTypes("0.7", "0.66", "4.2");
        operator.awaits("Drive up");
        assertThat(operator.page.getByText("at little power an SWR meter reads too high"))
                .isVisible();
        goesOnToTheKey();
        keysAndTypes("3.8", "3.5", "1.2");
        operator.awaits("Save what the matcher did");
        assertThat(operator.page.locator("[data-part=match-FIRST]")).hasCount(0);
        operator.presses("Enter");
        operator.page.getByText("What the matcher did on 7 MHz is saved.").waitFor();
    }

    private void keysAndTypes(String in, String out, String swr) {
        Page page = operator.page;
        operator.presses("Space");
        operator.awaits("Read");
        operator.presses("Space");
        operator.awaits("Enter");
        operator.presses("e");
        for (String text : List.of(in, out, swr)) {
            operator.types(text);
            operator.presses("Enter");
        }
        page.locator("body").evaluate("() => document.activeElement.blur()");
        operator.awaits("Record");
        operator.presses("Enter");
    }
}
