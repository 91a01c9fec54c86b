package org.tubrin.e2e;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Path;
import org.testng.annotations.Test;

/** Takes the pictures of the main views from the demo data; run by scripts/screenshots, not with the tests. */
public class Screenshots {
    private static final Path FOLDER = App.root().resolve("docs/screenshots");

    private static void shoot(Page page, String name) {
        page.waitForTimeout(400);
        page.screenshot(new Page.ScreenshotOptions().setPath(FOLDER.resolve(name + ".png")));
    }

    @Test
    public void takeAll() {
        try (App app = App.fresh("screenshots", true);
                Operator day = new Operator(app.url());
                Operator lamp = new Operator(app.url(), ColorScheme.DARK)) {
            Page page = day.page;
            page.navigate("/tune");
            page.getByText("Go on with it").waitFor();
            shoot(page, "start");
            day.presses("r");
            page.locator("[data-part=room]").waitFor();
            shoot(page, "run-day");
            lamp.page.navigate(page.url());
            lamp.page.locator("[data-part=room]").waitFor();
            shoot(lamp.page, "run-lamp");
            page.navigate("/cards");
            page.locator("[data-part=card]").first().waitFor();
            shoot(page, "cards");
            page.navigate("/log");
            page.getByText("on the card").first().waitFor();
            shoot(page, "log");
            page.getByText("on the card").first().locator("xpath=../td[1]/a").click();
            page.getByText("On the air").waitFor();
            shoot(page, "finished");
            page.navigate("/station");
            page.getByText("What is missing").waitFor();
            shoot(page, "station");
            day.startsClimb();
            day.presses("Enter");
            day.awaits("covers on");
            day.presses("Enter");
            day.awaits("air moving");
            shoot(page, "before-power");
        }
    }
}
