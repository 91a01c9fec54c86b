package org.tubrin.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.Media;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
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

    private static Path photo() throws IOException {
        BufferedImage picture = new BufferedImage(2400, 1800, BufferedImage.TYPE_INT_RGB);
        for (int x = 0; x < picture.getWidth(); x++) {
            for (int y = 0; y < picture.getHeight(); y++) {
                picture.setRGB(x, y, (x * 31 + y * 17) & 0xffffff);
            }
        }
        Path file = Files.createTempFile("blower", ".jpg");
        ImageIO.write(picture, "jpeg", file.toFile());
        return file;
    }

    /** The sheet is opened from a file, without any network; it outlives a reload, and what it saves is put in at home. */
    @Test
    public void anInspectionOnThePhoneWithTheNetworkCut() throws IOException {
        Page page = operator.page;
        page.navigate("/station/choosing");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Inspect Dory 700, 1984"))
                .press("Enter");
        Locator take = page.getByText("Take the sheet along");
        take.waitFor();
        Axe.check(page, "inspection");
        Path directory = Files.createTempDirectory("inspection");
        Path sheet = directory.resolve("sheet.html");
        page.waitForDownload(take::click).saveAs(sheet);
        Path saved = directory.resolve("saved.json");
        try (BrowserContext context = Operator.phoneWithoutNetwork()) {
            Page phone = context.newPage();
            phone.onPageError(error -> operator.stumbles.add("phone: " + error));
            phone.navigate(sheet.toUri().toString());
            looks(phone);
            phone.reload();
            Locator blower = phone.locator("[data-point=BLOWER]");
            assertThat(blower.getByRole(AriaRole.RADIO, named("bad"))).isChecked();
            assertThat(blower.getByRole(AriaRole.TEXTBOX)).hasValue("Scrapes when it runs down");
            // Made smaller on the phone, and there after the reload.
            assertThat(blower.locator("img")).hasJSProperty("naturalWidth", 1600);
            assertThat(phone.locator("footer")).containsText("What you enter stays on this phone");
            phone.emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.PRINT));
            assertThat(blower.getByText("Scrapes when it runs down").last()).isVisible();
            assertThat(blower.getByRole(AriaRole.RADIO).first()).isHidden();
            phone.emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.SCREEN));
            phone.waitForDownload(() -> phone.getByText("Save to a file").click())
                    .saveAs(saved);
            assertThat(phone.locator("footer")).containsText("Dory-700-1984-inspection.json is in your downloads");
        }
        Locator file = page.getByLabel("Put in what the phone saved");
        file.setInputFiles(sheet);
        page.getByText("is not what an inspection sheet saves").waitFor();
        file.setInputFiles(saved);
        page.getByText("1 point and 1 photo are saved").first().waitFor();
        assertThat(page.locator("[data-point=BLOWER] img")).hasJSProperty("naturalWidth", 1600);
        assertThat(page.locator("[data-point=BLOWER]")).containsText("Scrapes when it runs down");
        assertThat(page.locator("[data-part=verdict]")).hasText("Band switch broken: leave it.");
        Axe.check(page, "inspection, with a photo");
    }

    private static Locator.GetByRoleOptions named(String name) {
        return new Locator.GetByRoleOptions().setName(name).setExact(true);
    }

    /** By keys: how the blower was found, what was seen, a photograph of it. */
    private static void looks(Page phone) throws IOException {
        Locator blower = phone.locator("[data-point=BLOWER]");
        blower.getByRole(AriaRole.RADIO, named("bad")).press("Enter");
        blower.getByRole(AriaRole.TEXTBOX).fill("Scrapes when it runs down");
        blower.locator("input[type=file]").setInputFiles(photo());
        blower.locator("img").waitFor();
        assertThat(phone.locator("footer")).containsText("4 of 10 looked at");
        assertThat(phone.locator("[data-point=BAND_SWITCH]")).containsText("Leave it");
        assertEquals(phone.evaluate("document.documentElement.scrollWidth"), 390, "nothing is cut off");
        Axe.check(phone, "the sheet on the phone");
    }
}
