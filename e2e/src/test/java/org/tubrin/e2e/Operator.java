package org.tubrin.e2e;

import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.RequestOptions;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import java.util.regex.Pattern;

/** A person at a real browser: has keys, eyes, and notices when the page or the server stumbles. */
final class Operator implements AutoCloseable {
    private static final Playwright PLAYWRIGHT = Playwright.create(
            new Playwright.CreateOptions().setEnv(java.util.Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    private static final Browser BROWSER = PLAYWRIGHT
            .chromium()
            .launch(new BrowserType.LaunchOptions()
                    .setExecutablePath(Path.of("/usr/bin/chromium"))
                    .setArgs(List.of(
                            "--no-sandbox",
                            "--disable-gpu",
                            "--disable-quic",
                            "--no-first-run",
                            "--disable-background-networking",
                            "--disable-component-update",
                            "--disable-sync")));

    private static final String SENTENCE = "[data-part=sentence]:not([data-busy])";

    private static final int MOST_TRIES = 15;

    /** A busy machine is slow to show what it was asked for; what does not come at all costs this much longer. */
    private static final double SHOWN_MS = 20_000;

    static {
        PlaywrightAssertions.setDefaultAssertionTimeout(SHOWN_MS);
    }

    final BrowserContext context;
    final Page page;
    final List<String> stumbles = new ArrayList<>();
    private final AtomicInteger refused = new AtomicInteger();
    private final String url;

    Operator(String url) {
        this(url, ColorScheme.LIGHT);
    }

    Operator(String url, ColorScheme scheme) {
        this.url = url;
        context = BROWSER.newContext(new Browser.NewContextOptions()
                .setBaseURL(url)
                .setViewportSize(1280, 800)
                // Whatever the machine speaks.
                .setLocale("en-GB")
                .setColorScheme(scheme));
        page = context.newPage();
        watch(page);
    }

    /** Returns a browser in a hand, far from any network. */
    static BrowserContext phoneWithoutNetwork() {
        return BROWSER.newContext(new Browser.NewContextOptions()
                .setViewportSize(390, 844)
                .setHasTouch(true)
                .setOffline(true)
                .setLocale("en-GB")
                .setColorScheme(ColorScheme.LIGHT));
    }

    /** Waits until the page has been refused by a server without its database so many times more. */
    void triesAgain(int times) {
        int from = refused.get();
        page.waitForCondition(
                () -> refused.get() >= from + times, new Page.WaitForConditionOptions().setTimeout(120_000));
    }

    /** Abandons a run that another test left. */
    void abandonsWhatIsGoing() {
        JsonObject choices = json("/api/choices");
        if (!choices.has("inProgress")) {
            return;
        }
        String run =
                "/api/runs/" + choices.getAsJsonObject("inProgress").get("id").getAsString();
        JsonObject act = new JsonObject();
        act.addProperty("clientId", UUID.randomUUID().toString());
        act.addProperty("expectedSequence", json(run).get("sequence").getAsLong());
        act.addProperty("act", "ABANDON");
        act.addProperty("text", "left by a test");
        page.request()
                .post(
                        url + run + "/acts",
                        RequestOptions.create()
                                .setHeader("Content-Type", "application/json")
                                .setHeader("Origin", url)
                                .setData(act.toString()));
    }

    private JsonObject json(String path) {
        return JsonParser.parseString(page.request().get(url + path).text()).getAsJsonObject();
    }

    /** Opens one more tab of the same browser. */
    Page anotherTab() {
        Page tab = context.newPage();
        watch(tab);
        return tab;
    }

    private void watch(Page watched) {
        watched.onPageError(error -> stumbles.add("page: " + error));
        watched.onConsoleMessage(message -> {
            if (message.text().contains("Content Security Policy")) {
                stumbles.add("policy: " + message.text());
            }
        });
        watched.onResponse(response -> {
            if (response.status() >= 500) {
                refused.incrementAndGet();
                stumbles.add(response.status() + " " + response.url());
            }
        });
        watched.onRequestFailed(request -> {
            if (request.method().equals("POST")) {
                refused.incrementAndGet();
            }
        });
        watched.onRequest(request -> {
            if (!request.url().startsWith("http://127.0.0.1:")
                    && !request.url().startsWith("data:")
                    && !request.url().startsWith("blob:")) {
                stumbles.add("fetched from elsewhere: " + request.url());
            }
        });
    }

    /** Opens a choice and takes one of its options. */
    static void chooses(Page page, String label, String option) {
        page.getByRole(
                        AriaRole.COMBOBOX,
                        new Page.GetByRoleOptions().setName(label).setExact(true))
                .first()
                .click();
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName(option).setExact(true))
                .click();
    }

    /** Opens a menu and follows one of its links. */
    static void goesTo(Page page, String menu, String link) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(menu))
                .click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(link))
                .click();
    }

    /** Returns where the page is and what is on it, as it is read out. */
    String shown() {
        return page.url() + "\n" + page.locator("body").ariaSnapshot();
    }

    void presses(String... keys) {
        for (String key : keys) {
            page.keyboard().press(key);
        }
    }

    void types(String text) {
        page.keyboard().type(text);
    }

    /** Returns the big sentence of the next move, once what was done before it is saved. */
    String sentence() {
        return page.locator(SENTENCE).innerText();
    }

    /** Waits until the big sentence matches, and what was done before it is saved. */
    void awaits(String sentence) {
        page.locator(SENTENCE)
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile(sentence)))
                .waitFor();
    }

    Locator entry(String field) {
        return page.locator("input[data-entry=" + field + "]");
    }

    /** Opens a node of the signal line on the start page. */
    Locator opensNode(String choice) {
        Locator node = page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + choice + ": ")));
        node.click();
        return node;
    }

    /** Starts a climb from the start page, by keys, up to the moment before power. */
    void startsClimb() {
        startsClimb("Typed");
    }

    /** The same with readings from a source; climbs by doubling, whatever is suggested. */
    void startsClimb(String source) {
        startsClimb(source, "Peak, then heavier");
    }

    /** The same by a school. */
    void startsClimb(String source, String school) {
        page.navigate("/tune");
        begins(source, school);
    }

    /** Begins from the start page as it is chosen there, by a school with readings from a source. */
    void begins(String source, String school) {
        page.getByText("Start the climb").waitFor();
        for (String wanted : List.of(school, source)) {
            page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("^" + wanted)))
                    .check();
        }
        page.locator("body").evaluate("() => document.activeElement.blur()");
        presses("Enter");
        awaits("Have you read the limits");
    }

    /** Presses Enter, again where the page was still busy and let it pass, until another sentence stands there. */
    private void entersUntilItChanges(String last) {
        for (int i = 0; i < MOST_TRIES && sentence().equals(last); i++) {
            presses("Enter");
            comesTrue(2000, () -> !sentence().equals(last));
        }
        if (sentence().equals(last)) {
            throw new AssertionError("Enter leads nowhere from: " + last);
        }
    }

    /** Takes the readings off the instruments: where no meter has answered it is said, and R pressed again. */
    void takesReadings(String last) {
        for (int i = 0; i < MOST_TRIES && entry(last).inputValue().isEmpty(); i++) {
            presses("r");
            comesTrue(1500, () -> !entry(last).inputValue().isEmpty());
        }
        if (entry(last).inputValue().isEmpty()) {
            throw new AssertionError("no reading came: " + last);
        }
    }

    /** The same, and returns false once the key has come up by itself before a reading came. */
    boolean takesReadingsWhileKeyed(String last) {
        while (entry(last).inputValue().isEmpty() && !keyIsUp()) {
            presses("r");
            comesTrue(1500, () -> !entry(last).inputValue().isEmpty() || keyIsUp());
        }
        return !entry(last).inputValue().isEmpty();
    }

    private boolean keyIsUp() {
        return page.locator("[data-part=clock]")
                .getByText(Pattern.compile("^Rest(ing|ed)$"))
                .isVisible();
    }

    /** Answers all points, and says of the heaters that they have been on for a while. */
    void getsReady() {
        for (String before = sentence(); !before.startsWith("Switch the heaters on"); before = sentence()) {
            entersUntilItChanges(before);
        }
        presses("r");
        types("10");
        presses("Enter");
        awaits("Is air moving");
        page.locator("body").evaluate("() => document.activeElement.blur()");
        for (String before = sentence(); !before.startsWith("Set PLATE"); before = sentence()) {
            entersUntilItChanges(before);
        }
    }

    /** Follows advice with Enter until it asks to key. */
    void followsUntilKeying() {
        for (String before = sentence();
                !before.startsWith("Key at") && !before.startsWith("Rest");
                before = sentence()) {
            entersUntilItChanges(before);
        }
    }

    /** Keys for a moment, then types what the meters and dials show, by keys alone. */
    void keysAndReads(String output, String plateA, String gridA, String plateKv, String plate, String load) {
        presses("Space");
        awaits("Peak, read");
        presses("Space");
        page.locator("[data-part=clock]").getByText("Resting").waitFor();
        presses("r");
        for (String text : List.of(output, plateA, gridA, plateKv)) {
            types(text);
            presses("Enter");
        }
        types(plate);
        presses("Tab");
        types(load);
        presses("Enter");
    }

    /** Answers all points, switches the heaters on, and waits until the bench's tubes are warm. */
    void getsReadyOnTheBench() {
        for (String before = sentence(); !before.startsWith("Set PLATE"); before = sentence()) {
            entersUntilItChanges(before);
        }
    }

    /** Presses Enter until what the big sentence says is done. */
    void follows(String said) {
        entersUntilItChanges(said);
    }

    /** Turns a dial by its keys until it shows the mark. */
    void turns(String dial, String down, String up, double to) {
        for (double left = to - shows(dial); Math.abs(left) > 0.004; left = to - shows(dial)) {
            boolean coarse = Math.abs(left) >= 0.095;
            presses((coarse ? "" : "Shift+") + (left > 0 ? up : down));
        }
    }

    private double shows(String dial) {
        return Double.parseDouble(
                page.locator("[data-part=dial-" + dial + "] output").innerText());
    }

    /** Returns where the twin has a dial. */
    double twinAt(String dial) {
        String said = page.locator("[data-part=dial-" + dial + "]")
                .getByText(Pattern.compile("^twin "))
                .innerText();
        return Double.parseDouble(said.substring(5));
    }

    /** Returns what a meter shows now. */
    double now(String role) {
        return Double.parseDouble(page.locator("[data-part=now-" + role + "]").innerText());
    }

    /** Waits until a meter shows more than it does at rest, however late its reading comes. */
    void rises(String role, double above) {
        page.waitForFunction(
                "([part, above]) => Number.parseFloat(document.querySelector(part)?.textContent) > above",
                List.of("[data-part=now-" + role + "]", above));
    }

    /** Turns a dial by fine keys to where the output is most, as long as it gains. */
    void peaks(String down, String up) {
        double best = settledOutput();
        for (String key : List.of(up, down)) {
            for (int i = 0; i < 3; i++) {
                presses("Shift+" + key);
                double next = settledOutput();
                if (next < best) {
                    presses("Shift+" + (key.equals(up) ? down : up));
                    break;
                }
                best = next;
            }
        }
    }

    private double settledOutput() {
        // Under power a meter never stands still: where no change comes the frames are late, and what is shown is old.
        settles("now-OUTPUT", 6000);
        return now("OUTPUT");
    }

    /** Waits until what a meter shows has come to rest: ten changes later it is noise, and more than a second without one is stillness. */
    void settles(String part) {
        settles(part, 1200);
    }

    private void settles(String part, int stillMs) {
        page.waitForFunction("""
                ([part, stillMs]) => {
                  const shown = document.querySelector(`[data-part=${part}]`)?.textContent ?? '';
                  const now = performance.now();
                  const seen = (window.seenOf ??= {});
                  const last = (seen[part] ??= { shown, since: now, changes: 0 });
                  if (shown !== last.shown) Object.assign(last, { shown, since: now, changes: last.changes + 1 });
                  const rests = last.changes >= 10 || now - last.since > stillMs;
                  if (rests) delete seen[part];
                  return rests;
                }""", List.of(part, stillMs));
    }

    /** Waits for something as long as said, in milliseconds, and returns whether it came true. */
    boolean comesTrue(double mostMs, BooleanSupplier what) {
        try {
            page.waitForCondition(what, new Page.WaitForConditionOptions().setTimeout(mostMs));
            return true;
        } catch (TimeoutError late) {
            return false;
        }
    }

    @Override
    public void close() {
        context.close();
    }
}
