package org.tubrin.e2e;

import com.google.gson.JsonArray;
import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import java.io.BufferedWriter;
import java.io.File;
import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Stream;

/**
 * Fills the packaged application with years of made-up runs and measures what the operator would wait for. Each run is one of
 * the demo's, at another time, of one of some amplifiers into one of some loads, somewhere in its band. Run by scripts/growth.
 */
public final class Growth implements AutoCloseable {
    private static final int CALLS = 200;
    private static final int WARM_UPS = 50;
    private static final int AMPLIFIERS = 4;
    private static final int LOADS = 3;
    private static final int FREQUENCIES = 8;
    /** Some 5 kHz on 7 MHz, and within the narrowest band. */
    private static final double FREQUENCY_SHARE = 7e-4;

    private static final Duration YEARS = Duration.ofDays(3650);

    private final HttpClient http = HttpClient.newHttpClient();
    private final App app = App.fresh("growth", true);
    private final Random random = new Random(1);
    private final StringBuilder rows = new StringBuilder();
    private long eventsEach;

    /** Measures; arguments: the file to write, then how many runs, as often as wanted. */
    public static void main(String[] arguments) throws IOException, InterruptedException {
        try (Growth growth = new Growth()) {
            for (String runs : Arrays.asList(arguments).subList(1, arguments.length)) {
                growth.measure(Integer.parseInt(runs));
            }
            growth.write(Path.of(arguments[0]));
        }
    }

    private void measure(int runs) throws IOException, InterruptedException {
        JsonObject demo = JsonParser.parseString(get("/api/backup")).getAsJsonObject();
        Path file = app.home().resolve("growth.json");
        long events = make(demo, runs, file);
        eventsEach = Math.round((double) events / runs);
        System.err.printf("%d runs, %d events, %d MB%n", runs, events, Files.size(file) >> 20);
        long begun = System.nanoTime();
        HttpResponse<String> restored = http.send(
                HttpRequest.newBuilder(URI.create(app.url() + "/api/backup/restore?apply=true"))
                        .header("Content-Type", "application/json")
                        .POST(HttpRequest.BodyPublishers.ofFile(file))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        row(runs, "restore", begun, runs);
        if (restored.statusCode() != 200) {
            throw new IllegalStateException(restored.body());
        }
        Files.delete(file);
        for (Map.Entry<String, String> view : views().entrySet()) {
            calls(runs, view.getKey(), view.getValue());
        }
        begun = System.nanoTime();
        long bytes = http.send(
                        HttpRequest.newBuilder(URI.create(app.url() + "/api/backup"))
                                .build(),
                        HttpResponse.BodyHandlers.ofFile(file))
                .body()
                .toFile()
                .length();
        row(runs, "backup, " + (bytes >> 20) + " MB", begun, runs);
        Files.delete(file);
        rows.append(String.format(
                Locale.ROOT, "| %d | resident memory, most since the start | %d MB | |%n", runs, app.mostMemoryMb()));
        // The next begins from the demo again.
        Path back = app.home().resolve("demo.json");
        Files.writeString(back, demo.toString());
        http.send(
                HttpRequest.newBuilder(URI.create(app.url() + "/api/backup/restore?apply=true"))
                        .header("Content-Type", "application/json")
                        .POST(HttpRequest.BodyPublishers.ofFile(back))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    private Map<String, String> views() {
        JsonObject place = JsonParser.parseString(get("/api/trends/places"))
                .getAsJsonArray()
                .get(0)
                .getAsJsonObject();
        JsonObject log = JsonParser.parseString(get("/api/runs")).getAsJsonObject();
        String run =
                log.getAsJsonArray("runs").get(0).getAsJsonObject().get("id").getAsString();
        Map<String, String> views = new LinkedHashMap<>();
        views.put("start page", "/api/choices");
        views.put("log, newest", "/api/runs");
        views.put("log, oldest", "/api/runs?page=" + log.get("pages").getAsInt());
        views.put("log, middle", "/api/runs?page=" + (1 + log.get("pages").getAsInt() / 2));
        views.put(
                "log, one band of one amplifier since 2020",
                "/api/runs?band=MHZ_7&amplifier=Brigantine%202&from=2020-01-01");
        views.put("cards", "/api/cards");
        views.put("places of trends", "/api/trends/places");
        views.put(
                "trend of " + place.get("runs").getAsInt() + " runs",
                "/api/trends?amplifier=" + encoded(place, "amplifier") + "&band="
                        + place.get("band").getAsString() + "&termination=" + encoded(place, "termination"));
        views.put("a run", "/api/runs/" + run);
        return views;
    }

    private static String encoded(JsonObject of, String field) {
        return URLEncoder.encode(of.get(field).getAsString(), StandardCharsets.UTF_8);
    }

    private void calls(int runs, String view, String path) {
        double first = timed(path);
        for (int i = 1; i < WARM_UPS; i++) {
            timed(path);
        }
        double[] ms = new double[CALLS];
        for (int i = 0; i < CALLS; i++) {
            ms[i] = timed(path);
        }
        Arrays.sort(ms);
        rows.append(String.format(
                Locale.ROOT,
                "| %d | %s | %.1f ms | %.1f ms (the first %.0f ms) |%n",
                runs,
                view,
                ms[CALLS / 2],
                ms[CALLS * 99 / 100],
                first));
    }

    private double timed(String path) {
        long begun = System.nanoTime();
        get(path);
        return (System.nanoTime() - begun) / 1e6;
    }

    private void row(int runs, String what, long begun, int done) {
        double seconds = (System.nanoTime() - begun) / 1e9;
        rows.append(String.format(
                Locale.ROOT, "| %d | %s | %.1f s | %.0f runs a second |%n", runs, what, seconds, done / seconds));
        System.err.printf("%s: %.1f s%n", what, seconds);
    }

    /** Writes a backup with so many runs; returns how many events it has. */
    private long make(JsonObject demo, int runs, Path file) throws IOException {
        Map<String, List<JsonObject>> byBand = new TreeMap<>();
        for (JsonElement run : demo.getAsJsonArray("runs")) {
            String text = run.toString();
            if (text.contains("\"finished\"")) {
                byBand.computeIfAbsent(bandOf(run.getAsJsonObject()), band -> new ArrayList<>())
                        .add(run.getAsJsonObject());
            }
        }
        List<String> bands = List.copyOf(byBand.keySet());
        long events = 0;
        Instant end = Instant.now();
        try (BufferedWriter to = Files.newBufferedWriter(file)) {
            JsonObject head = demo.deepCopy();
            head.add("runs", new JsonArray());
            String whole = head.toString();
            int at = whole.indexOf("\"runs\":[") + 8;
            to.write(whole.substring(0, at));
            for (int i = 0; i < runs; i++) {
                List<JsonObject> templates = byBand.get(bands.get(random.nextInt(bands.size())));
                JsonObject template = templates.get(random.nextInt(templates.size()));
                Instant start =
                        end.minus(YEARS.multipliedBy(runs - i).dividedBy(runs)).minus(Duration.ofHours(2));
                to.write(i == 0 ? "" : ",");
                // Ids in rising order, as time goes: that is how they lie in a backup.
                to.write(made(
                        template, start, new UUID((long) i << 16 | 0x4000, random.nextLong() >>> 2 | Long.MIN_VALUE)));
                events += template.getAsJsonArray("events").size();
            }
            to.write(whole.substring(at));
        }
        return events;
    }

    private static JsonObject setup(JsonObject run) {
        return run.getAsJsonArray("events")
                .get(0)
                .getAsJsonObject()
                .getAsJsonObject("event")
                .getAsJsonObject("setup");
    }

    private static String bandOf(JsonObject run) {
        return setup(run).get("band").getAsString();
    }

    private String made(JsonObject template, Instant start, UUID id) {
        JsonObject run = template.deepCopy();
        run.addProperty("id", id.toString());
        JsonObject setup = setup(run);
        name(setup.getAsJsonObject("amplifier"), "Brigantine ", AMPLIFIERS);
        name(setup.getAsJsonObject("termination"), "Ballast ", LOADS);
        double hertz = setup.get("frequencyHz").getAsDouble();
        setup.addProperty("frequencyHz", hertz * (1 + FREQUENCY_SHARE * random.nextInt(FREQUENCIES)));
        JsonArray events = run.getAsJsonArray("events");
        Instant from = Instant.parse(events.get(0).getAsJsonObject().get("at").getAsString());
        for (JsonElement one : events) {
            JsonObject event = one.getAsJsonObject();
            Instant at = start.plus(
                    Duration.between(from, Instant.parse(event.get("at").getAsString())));
            event.addProperty("at", at.toString());
            event.addProperty("clientId", new UUID(random.nextLong(), random.nextLong()).toString());
            JsonObject body = event.getAsJsonObject("event");
            if (body.has("heatersOnSince")) {
                body.addProperty("heatersOnSince", start.toString());
            }
        }
        return run.toString();
    }

    private void name(JsonObject record, String name, int count) {
        record.addProperty("name", name + (1 + random.nextInt(count)));
    }

    private String get(String path) {
        try {
            HttpResponse<String> reply = http.send(
                    HttpRequest.newBuilder(URI.create(app.url() + path)).build(), HttpResponse.BodyHandlers.ofString());
            if (reply.statusCode() != 200) {
                throw new IllegalStateException(path + ": " + reply.statusCode() + " " + reply.body());
            }
            return reply.body();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private void write(Path file) throws IOException {
        String text = String.format(
                """
                # Years of runs

                What the operator waits for with many runs in the log, as `scripts/growth` measured it: the packaged application
                with its private database on %d cores, a heap of 512 MB, each view asked %d times over HTTP, after its first %d calls. The runs are the
                demo's, %d events each on average, over ten years, of %d amplifiers into %d loads.

                | runs | what | middle, or whole | 99 of 100, or rate |
                |---:|---|---:|---:|
                %s""", Runtime.getRuntime().availableProcessors(), CALLS, WARM_UPS, eventsEach, AMPLIFIERS, LOADS, rows);
        Files.writeString(file, text);
        System.out.print(rows);
    }

    @Override
    public void close() {
        app.close();
        try (Stream<Path> files = Files.walk(app.home())) {
            files.sorted(Comparator.reverseOrder()).map(Path::toFile).forEach(File::delete);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }
}
