package org.tubrin.e2e;

import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Kills the packaged application, its database, or both, without a word and at any moment, while feeds are open and entries go
 * out; starts it again, and counts what was acknowledged and is not there, and what is there twice. Run by scripts/faults.
 */
public final class Faults implements AutoCloseable {
    private static final Duration PATIENCE = Duration.ofSeconds(5);
    private static final int FEEDS = 3;
    private static final int MOST_IN_A_RUN = 400;
    private static final Pattern SEQUENCE = Pattern.compile("\"sequence\":(\\d+)");

    private final HttpClient http =
            HttpClient.newBuilder().connectTimeout(PATIENCE).build();
    private final App app = App.fresh("faults", true);
    private final Random random;
    /** What was acknowledged, by the run that it is in. */
    private final Map<String, List<String>> acknowledged = new LinkedHashMap<>();

    private String runId = "";
    private int entered;
    private int failedStarts;
    private volatile boolean going = true;
    /** What ended the typing before its time: then nothing more was at risk, and the count says nothing. */
    private volatile Throwable typingEnded;
    /** The equipment as it is listed; read while all is well. */
    private String equipment = "";

    private Faults(long seed) {
        random = new Random(seed);
    }

    /** Plays so many cycles; arguments: how many, and the seed. */
    public static void main(String[] arguments) throws InterruptedException {
        int cycles = Integer.parseInt(arguments[0]);
        boolean well;
        try (Faults faults = new Faults(Long.parseLong(arguments[1]))) {
            well = faults.play(cycles);
        }
        System.exit(well ? 0 : 1);
    }

    private boolean play(int cycles) throws InterruptedException {
        equipment = get("/api/equipment");
        begin();
        Thread typing = new Thread(this::types, "typing");
        typing.setUncaughtExceptionHandler((thread, failure) -> typingEnded = failure);
        typing.start();
        for (int cycle = 0; cycle < cycles; cycle++) {
            List<InputStream> feeds = openFeeds();
            Thread.sleep(random.nextInt(600));
            kill(cycle % 3);
            for (InputStream feed : feeds) {
                closeQuietly(feed);
            }
            comesBack();
            if (typingEnded != null) {
                throw new IllegalStateException("the typing ended", typingEnded);
            }
            if ((cycle + 1) % 20 == 0) {
                System.err.println((cycle + 1) + " cycles, " + entered + " acknowledged");
            }
        }
        Thread.sleep(1000);
        going = false;
        typing.join();
        int lost = 0;
        int doubled = 0;
        for (Map.Entry<String, List<String>> run : acknowledged.entrySet()) {
            String view = get("/api/runs/" + run.getKey());
            for (String text : run.getValue()) {
                int times = view.split("\"" + text + "\"", -1).length - 1;
                lost += times == 0 ? 1 : 0;
                doubled += times > 1 ? 1 : 0;
            }
        }
        System.out.printf(
                "%d cycles, %d acknowledged, %d lost, %d doubled, %d failed starts%n",
                cycles, entered, lost, doubled, failedStarts);
        return lost == 0 && doubled == 0 && failedStarts == 0 && entered > 0;
    }

    private void kill(int which) {
        switch (which) {
            case 0 -> app.killServer();
            case 1 -> app.killDatabase();
            default -> app.powerCut();
        }
    }

    /** Starts what ended until it answers; a database that was killed alone is started by ./start itself. */
    private void comesBack() throws InterruptedException {
        for (int attempt = 0; !app.isRunning(); attempt++) {
            try {
                app.start();
            } catch (IllegalStateException e) {
                failedStarts++;
                if (attempt == 3) {
                    throw e;
                }
            }
        }
        for (int i = 0; i < 300; i++) {
            if (get("/api/runs/" + runId).contains("\"sequence\"")) {
                return;
            }
            Thread.sleep(100);
        }
        failedStarts++;
    }

    /** Enters one note after the other; each is sent again under its old id until it is acknowledged. */
    private void types() {
        while (going) {
            if (acknowledged.get(runId).size() >= MOST_IN_A_RUN) {
                begin();
            }
            enter("entry-" + UUID.randomUUID());
        }
    }

    private void enter(String text) {
        String clientId = UUID.randomUUID().toString();
        while (true) {
            Matcher at = SEQUENCE.matcher(get("/api/runs/" + runId));
            if (at.find()) {
                String body = "{\"clientId\":\"" + clientId + "\",\"expectedSequence\":" + at.group(1)
                        + ",\"act\":\"NOTE\",\"text\":\"" + text + "\"}";
                if (post("/api/runs/" + runId + "/acts", body) == 200) {
                    acknowledged.get(runId).add(text);
                    entered++;
                    return;
                }
            }
            pause(100);
        }
    }

    private void begin() {
        String id = UUID.randomUUID().toString();
        String body = "{\"runId\":\"" + id + "\",\"amplifierId\":\"" + idOf(equipment, "Brigantine")
                + "\",\"exciterId\":\""
                + idOf(equipment, "Halyard 100") + "\",\"carrier\":\"CW\",\"meterIds\":[\"" + idOf(equipment, "Fathom")
                + "\",\"" + idOf(equipment, "Brigantine panel") + "\"],\"terminationId\":\""
                + idOf(equipment, "Ballast 1000")
                + "\",\"source\":\"TYPED\",\"band\":\"MHZ_7\",\"frequency\":\"7.1\",\"school\":\"PEAK_THEN_HEAVIER\"}";
        while (post("/api/runs", body) != 201) {
            pause(200);
        }
        acknowledged.put(id, new ArrayList<>());
        runId = id;
    }

    private static String idOf(String equipment, String name) {
        Matcher found = Pattern.compile(
                        "\"id\":\"([0-9a-f-]{36})\",\"revision\":\\d+,\"kind\":\"[a-z]+\",\"name\":\"" + name + "\"")
                .matcher(equipment);
        if (!found.find()) {
            throw new IllegalStateException("no " + name + " in the demo");
        }
        return found.group(1);
    }

    private List<InputStream> openFeeds() {
        List<InputStream> feeds = new ArrayList<>();
        for (int i = 0; i < FEEDS; i++) {
            try {
                feeds.add(http.send(
                                request("/api/runs/" + runId + "/live").GET().build(),
                                HttpResponse.BodyHandlers.ofInputStream())
                        .body());
            } catch (IOException away) {
                // It was killed before.
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }
        return feeds;
    }

    private HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create(app.url() + path)).timeout(PATIENCE);
    }

    private String get(String path) {
        try {
            return http.send(request(path).GET().build(), HttpResponse.BodyHandlers.ofString())
                    .body();
        } catch (IOException away) {
            return "";
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return "";
        }
    }

    private int post(String path, String body) {
        try {
            return http.send(
                            request(path)
                                    .header("Content-Type", "application/json")
                                    .POST(HttpRequest.BodyPublishers.ofString(body))
                                    .build(),
                            HttpResponse.BodyHandlers.ofString())
                    .statusCode();
        } catch (IOException away) {
            return 0;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return 0;
        }
    }

    private static void closeQuietly(InputStream feed) {
        try {
            feed.close();
        } catch (IOException gone) {
            // That is what was meant.
        }
    }

    private static void pause(long ms) {
        try {
            Thread.sleep(ms);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public void close() {
        app.close();
    }
}
