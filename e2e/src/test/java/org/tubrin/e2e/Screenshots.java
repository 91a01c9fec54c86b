package org.tubrin.e2e;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Path;

/** Takes the pictures of the main views from the demo data; run by scripts/screenshots. */
public final class Screenshots {
    private final Path folder;
    private int taken;

    private Screenshots(Path folder) {
        this.folder = folder;
    }

    /** Takes all; the arguments are the folder, and {@code still} to leave out those of a climb on the bench, which take their time. */
    public static void main(String[] arguments) {
        Screenshots screenshots = new Screenshots(Path.of(arguments[0]));
        int code = 0;
        try {
            screenshots.takeAll(arguments.length > 1 && arguments[1].equals("still"));
            System.out.println(screenshots.taken + " pictures");
        } catch (RuntimeException e) {
            e.printStackTrace();
            code = 1;
        }
        // The browser's own threads would keep this process.
        System.exit(code);
    }

    private void shoot(Page page, String name) {
        page.waitForTimeout(400);
        page.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve(name + ".png")));
        taken++;
    }

    /** Climbs to full drive on the bench and stays there keyed. */
    private static void climbsOnTheBench(Operator operator) {
        operator.startsClimb("Simulated bench");
        operator.getsReadyOnTheBench();
        for (int keyed = 0; keyed < 5; ) {
            String said = operator.sentence();
            if (said.startsWith("Rest")) {
                operator.page.waitForTimeout(500);
            } else if (said.startsWith("Key at")) {
                operator.turns("LOAD", "ArrowDown", "ArrowUp", operator.twinAt("LOAD"));
                operator.turns("PLATE", "ArrowLeft", "ArrowRight", operator.twinAt("PLATE"));
                operator.page.waitForTimeout(800);
                operator.presses("Space");
                operator.page.waitForTimeout(1500);
                operator.presses("r");
                operator.page.waitForTimeout(700);
                if (++keyed < 5) {
                    operator.presses("Space");
                    operator.page.waitForTimeout(600);
                }
            } else {
                operator.follows(said);
            }
        }
    }

    private void takeAll(boolean still) {
        try (App app = App.fresh("screenshots", true);
                Operator day = new Operator(app.url());
                Operator lamp = new Operator(app.url(), ColorScheme.DARK)) {
            Page page = day.page;
            page.navigate("/tune");
            page.locator("[data-part=stair-ahead]").waitFor();
            shoot(page, "start");
            day.presses("r");
            page.locator("[data-part=room]").waitFor();
            shoot(page, "run-day");
            lamp.page.navigate(page.url());
            lamp.page.locator("[data-part=room]").waitFor();
            lamp.presses("f");
            lamp.page.locator("[data-part=glance]").waitFor();
            shoot(lamp.page, "glance");
            page.navigate("/cards");
            page.locator("[data-part=card]").first().waitFor();
            page.getByLabel("MHz, 7 to 7.2").fill("7.18");
            Operator.chooses(page, "Into", "Yardarm");
            page.getByText("Find the dials").click();
            page.getByText("Stay within").waitFor();
            shoot(page, "cards");
            page.navigate("/log");
            page.getByText("on the card").first().waitFor();
            shoot(page, "log");
            page.getByText("on the card").first().locator("xpath=../td[2]/a").click();
            page.getByText("On the air").waitFor();
            shoot(page, "finished");
            page.navigate("/supply");
            page.locator("[data-part=plan]").waitFor();
            shoot(page, "supply");
            page.navigate("/station/first");
            page.locator("#question").waitFor();
            shoot(page, "first-station");
            page.navigate("/drive");
            page.locator("[data-part=guard]").waitFor();
            shoot(page, "drive");
            page.navigate("/drive/alc");
            page.locator("[data-part=level-stair]").waitFor();
            shoot(page, "alc");
            page.navigate("/drive/bias");
            page.locator("[data-part=bias-stair]").waitFor();
            shoot(page, "bias");
            page.navigate("/log/trends");
            page.locator("[data-part=trend]").first().waitFor();
            shoot(page, "trends");
            page.navigate("/faults");
            page.getByText("Reception weak").last().click();
            page.locator("[data-part=next-check]").waitFor();
            shoot(page, "faults");
            page.navigate("/practice");
            page.getByText("A hidden fault").last().click();
            page.locator("[data-part=replay]").waitFor();
            shoot(page, "debrief");
            AccessibilityTest.comparesAMeter(page);
            shoot(page, "meters");
            page.navigate("/station");
            page.getByText("What is missing").waitFor();
            shoot(page, "station");
            AccessibilityTest.fillsSheet(page);
            page.locator("[data-part=fit-rows]").scrollIntoViewIfNeeded();
            shoot(page, "twin");
            if (still) {
                return;
            }
            climbsOnTheBench(day);
            shoot(page, "live-day");
            page.navigate(page.url() + "/map");
            page.locator("[data-part=map]").waitFor();
            shoot(page, "map");
        }
    }
}
