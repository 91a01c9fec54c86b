package org.tubrin.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** Three amplifiers that one thinks of, one of them with a claim that arithmetic does not bear out. */
public class ChoosingJourneyTest extends AtTheStation {
    public ChoosingJourneyTest() {
        super("choosing");
    }

    @Test
    public void aClaimIsFlaggedAndAskedBackAndItsAnswerCounts() {
        Page page = operator.page;
        page.navigate("/station/choosing");
        Locator sheet = page.locator("[data-part=choosing]");
        sheet.getByText("More than its plates take").waitFor();
        assertThat(sheet).containsText("510 W stay in each tube that is rated for 500 W.");
        assertThat(sheet).containsText("Band switch broken: leave it.");
        Axe.check(page, "choosing");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Sloop 1000"))
                .first()
                .press("Enter");
        assertThat(page).hasURL(Pattern.compile("/station/[0-9a-f-]{36}$"));
        // The seller says: that was pulsed. As a carrier it is 841 W, which sheet and heat bear out.
        Operator.chooses(page, "How it was got", "pulsed");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Save").setExact(true))
                .press("Enter");
        page.getByText("Sloop 1000 is saved").first().waitFor();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Choosing an amplifier"))
                .press("Enter");
        sheet.getByText("841 W as a carrier").waitFor();
        assertThat(sheet.getByText("More than its plates take")).hasCount(0);
        assertThat(sheet).containsText("The sheet itself is at the limit");
    }
}
