package org.tubrin.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.List;
import java.util.Map;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** From nothing to the first recorded step by keys: a few questions, one meter with a switch, no chart and no twin. */
public class FirstStationJourneyTest {
    private static final Map<String, String> KNOWN = Map.ofEntries(
            Map.entry("How much does the exciter give?", "100"),
            Map.entry("How much output does your licence allow?", "1000"),
            Map.entry("What amplifies?", "1"),
            Map.entry("What output does the maker claim?", "870"),
            Map.entry("How much drive may it get?", "70"),
            Map.entry("How much heat may one tube's plate stand?", "350"),
            Map.entry("How much plate current may it draw?", "0.66"),
            Map.entry("How much grid current may it draw?", "0.2"),
            Map.entry("What is the plate voltage at rest?", "2740"),
            Map.entry("How long do the tubes warm up?", "60"),
            Map.entry("Which way does LOAD go for heavier?", "1"),
            Map.entry("What is the full scale of your wattmeter?", "1500"),
            Map.entry("What meters has the amplifier itself?", "2"),
            Map.entry("How much power does your dummy load take?", "1000"));
    private static final int MOST_KEYS = 60;
    private static final int MOST_QUESTIONS = 30;

    private App app;

    @BeforeClass
    public void startTheApplication() {
        app = App.fresh("first", false);
    }

    @AfterClass(alwaysRun = true)
    public void stopTheApplication() {
        if (app != null) {
            app.close();
        }
    }

    @Test
    public void fewKeysLeadFromNothingToTheFirstStep() {
        try (Operator operator = new Operator(app.url())) {
            Page page = operator.page;
            page.addInitScript("""
                    addEventListener('keydown', (event) => {
                      if (!/^[0-9.]$/.test(event.key)) sessionStorage.keys = Number(sessionStorage.keys ?? 0) + 1;
                    }, true);""");
            page.navigate("/tune");
            page.getByText("Tell it by questions").click();
            answersAll(operator);
            operator.presses("Enter");
            page.getByText("Start the climb").waitFor();
            page.locator("body").evaluate("() => document.activeElement.blur()");
            operator.presses("Enter");
            operator.awaits("Have you read the limits");
            assertThat(page.locator("[data-part=next-move]")).not().containsText("Without grid current");
            operator.getsReady();
            operator.followsUntilKeying();
            assertThat(page.locator("[data-part=meter-switch]")).containsText("Amplifier panel on plate current");
            operator.presses("Space");
            operator.awaits("Peak, read");
            operator.presses("Space");
            page.locator("[data-part=clock]").getByText("Resting").waitFor();
            operator.presses("r");
            operator.types("95");
            operator.presses("Enter");
            operator.types("0.16-0.18");
            operator.presses("Enter");
            page.locator("body").evaluate("() => document.activeElement.blur()");
            operator.awaits("Record the step");
            assertThat(operator.entry("PLATE_CURRENT")).hasValue("0.16\u20130.18");
            operator.presses("Enter");
            page.locator("[data-part=stair]").getByText("95").first().waitFor();
            int keys = Integer.parseInt((String) page.evaluate("() => sessionStorage.keys"));
            assertTrue(keys <= MOST_KEYS, keys + " keys beside numbers");
            assertEquals(operator.stumbles, List.of());
        }
    }

    /** Answers what is known, leaves out what is not; a reload in the middle of it loses nothing. */
    private static void answersAll(Operator operator) {
        Page page = operator.page;
        Locator head = page.locator("[data-part=question] h1");
        head.waitFor();
        for (int i = 0; i < MOST_QUESTIONS; i++) {
            String question = head.innerText();
            if (question.startsWith("Enough")) {
                return;
            }
            if (i == 5) {
                page.reload();
                head.waitFor();
                assertEquals(head.innerText(), question);
            }
            String answer = KNOWN.get(question);
            boolean chooses = page.locator("#answer").count() == 0;
            if (answer == null) {
                operator.presses("u");
            } else {
                operator.types(answer);
                if (!chooses) {
                    operator.presses("Enter");
                }
            }
            assertTrue(operator.comesTrue(5000, () -> !head.innerText().equals(question)), question);
        }
        throw new AssertionError("no end to the questions");
    }
}
