package org.tubrin.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertTrue;

import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.HashSet;
import java.util.Set;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** Somebody whose station has something wrong that they do not know: they answer what they see until it is found. */
public class FaultsJourneyTest extends AtTheStation {
    public FaultsJourneyTest() {
        super("faults");
    }

    private JsonObject inHand() {
        String id = operator.page.url().replaceAll(".*/", "");
        return JsonParser.parseString(operator.page
                        .request()
                        .get(app.url() + "/api/faults/" + id)
                        .text())
                .getAsJsonObject();
    }

    private void begins(String symptom) {
        Page page = operator.page;
        page.navigate("/faults");
        Operator.chooses(page, "Amplifier", "Brigantine");
        page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName(symptom))
                .press("Space");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Find the cause"))
                .press("Enter");
        page.locator("[data-part=next-check]").waitFor();
        assertThat(page).hasURL(Pattern.compile("/faults/[0-9a-f-]{36}$"));
    }

    /** Presses a key and waits until the case has moved on. */
    private void answers(String key, JsonObject before) {
        operator.presses(key);
        int revision = before.get("revision").getAsInt();
        assertTrue(operator.comesTrue(10_000, () -> inHand().get("revision").getAsInt() > revision));
        String says = inHand().get("sentence").getAsString();
        operator.page.locator("[data-part=sentence]").getByText(says).waitFor();
    }

    /** Answers by what is wrong, and puts right what is said, until the symptom is gone. */
    private void works(Set<String> wrong, Set<String> shows) {
        for (int i = 0; i < 20; i++) {
            JsonObject now = inHand();
            String verdict = now.get("verdict").getAsString();
            if (verdict.equals("CURED")) {
                return;
            }
            if (verdict.equals("CHECK")) {
                String check = now.get("check").getAsString();
                boolean swapClears = wrong.size() == 1
                        && ((check.equals("SWAP_JUMPER") && wrong.contains("JUMPER_OPEN"))
                                || (check.equals("SWAP_BYPASS") && wrong.contains("RELAY_CONTACTS")));
                boolean yes = check.startsWith("SWAP_") ? swapClears : shows.contains(check);
                answers(yes ? "1" : "2", now);
            } else {
                String cause = now.get("fix").getAsString();
                assertTrue(wrong.remove(cause), cause + " is said, and " + wrong + " is wrong: " + now.get("steps"));
                if (cause.equals("RELAY_CONTACTS")) {
                    shows.remove("WORK_RELAY");
                } else {
                    shows.remove("BEND_JUMPER");
                }
                answers(wrong.isEmpty() ? "1" : "2", now);
            }
        }
        throw new AssertionError("not found in twenty steps: " + inHand());
    }

    @Test
    public void aFaultIsFoundThroughASwapAndItsPartEntersTheLedger() {
        begins("Reception dead");
        Locator suspects = operator.page.locator("[data-part=suspects]");
        assertThat(suspects).containsText("Jumper cable");
        works(new HashSet<>(Set.of("JUMPER_OPEN")), new HashSet<>());
        operator.awaits("^Gone since this was put right: jumper cable");
        assertThat(operator.page.locator("[data-part=done]")).containsText("Swap the jumper");
        Axe.check(operator.page, "a case that is closed");
        operator.page.navigate("/log/changes");
        assertThat(operator.page.locator("[data-part=changes]")).containsText("Jumper cable is open");
    }

    /** Two at once: after the first is replaced it stays, and the second is found the next day. */
    @Test
    public void aDoubleFaultIsFoundOverTwoDays() {
        begins("Reception weak");
        Set<String> wrong = new HashSet<>(Set.of("RELAY_CONTACTS", "JUMPER_OPEN"));
        Set<String> shows = new HashSet<>(Set.of("WORK_RELAY", "BEND_JUMPER"));
        JsonObject first = inHand();
        boolean yes = shows.contains(first.get("check").getAsString());
        answers(yes ? "1" : "2", first);
        Axe.check(operator.page, "a case that is open");
        // What was done is there again after the browser was closed over night.
        operator.page.reload();
        operator.page.locator("[data-part=done]").waitFor();
        answers("z", inHand());
        works(wrong, shows);
        operator.awaits("^Gone since");
        operator.presses("g", "x");
        operator.page.getByText("Find the cause").waitFor();
        assertThat(operator.page.locator("section[aria-label=Closed]")).containsText("Reception weak");
    }
}
