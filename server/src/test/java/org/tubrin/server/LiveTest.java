package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.http.HttpClient;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.testng.annotations.AfterClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.bench.Bench;
import org.tubrin.bench.SimulatedStation;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.TubePoint;
import tools.jackson.databind.JsonNode;

/** Runs on the simulated bench, over its real sockets. */
public class LiveTest extends ServerTest {
    /** Of 0.2 A on a scale of 0.35 A and 3 %: one standard uncertainty below. */
    private static final double GRID_STOP_A = 0.2 - 0.03 * 0.35 / Math.sqrt(3);

    private static final long PATIENCE_MS = 10_000;
    private static final long LOOKS_BACK_MS = 1200;
    /** Some time constants of the bench's needles. */
    private static final double METERS_SETTLE_S = 2;

    private static SimulatedStation station;
    private static Bench bench;
    private static int firstPort;

    @DynamicPropertySource
    static void bench(DynamicPropertyRegistry registry) throws IOException {
        begin();
        registry.add("tubrin.bench", () -> "127.0.0.1:" + firstPort);
    }

    /** Begins a bench on the first row of ports that is free. */
    private static void begin() throws IOException {
        station = new SimulatedStation(7, 100);
        for (firstPort = 25_240; bench == null; firstPort += Bench.INSTRUMENTS) {
            try {
                bench = new Bench(station, firstPort);
                return;
            } catch (IOException taken) {
                if (firstPort > 30_000) {
                    throw taken;
                }
            }
        }
    }

    @AfterClass(alwaysRun = true)
    public void end() throws IOException {
        bench.close();
    }

    private String id() {
        return run.get("id").asString();
    }

    private void begins(String... moreMeters) {
        Map<String, Object> request = new LinkedHashMap<>(start("MHZ_7", "7.1"));
        request.put("source", "BENCH");
        request.put(
                "meterIds",
                Stream.concat(Stream.of("Fathom", "Brigantine panel"), Stream.of(moreMeters))
                        .map(this::equipmentId)
                        .toList());
        Reply reply = post("/api/runs", request);
        assertEquals(reply.status(), 201, reply.text());
        run = reply.json();
    }

    private void isReady(String... moreMeters) {
        begins(moreMeters);
        for (JsonNode check : run.get("preflight")) {
            does("CHECK", "check", check.get("code").asString());
        }
        waitFor(frame -> frame.get("bench").get("heaterS").asDouble() > 180);
        does("WARM");
        assertEquals(run.get("phase").asString(), "CLIMBING");
    }

    private JsonNode frame() {
        return get("/api/runs/" + id() + "/now").json();
    }

    private JsonNode waitFor(Predicate<JsonNode> seen) {
        long end = System.currentTimeMillis() + PATIENCE_MS;
        JsonNode frame = frame();
        while (!seen.test(frame)) {
            assertTrue(System.currentTimeMillis() < end, "not seen in " + frame);
            pause(50);
            frame = frame();
        }
        return frame;
    }

    /** Waits until the key of the bench has been down so long, by its own clock. */
    private void keyedFor(double seconds) {
        long end = System.currentTimeMillis() + PATIENCE_MS;
        while (get("/api/bench").json().path("keyedForS").asDouble(0) < seconds) {
            assertTrue(System.currentTimeMillis() < end, "the key is not down for " + seconds + " s");
            pause(50);
        }
    }

    /** Waits until the needles of the bench stand. */
    private void metersSettle() {
        keyedFor(METERS_SETTLE_S);
    }

    private static JsonNode of(JsonNode list, String role) {
        for (JsonNode one : list) {
            if (one.get("role").asString().equals(role)) {
                return one;
            }
        }
        throw new AssertionError("no " + role + " in " + list);
    }

    private void turns(String control, double to) {
        Reply reply = post("/api/runs/" + id() + "/bench", Map.of("control", control, "to", to));
        assertEquals(reply.status(), 204, reply.text());
    }

    private void setsFor605W() {
        does("SET", "control", "DRIVE", "text", "35");
        does("RANGE", "role", "OUTPUT", "text", "1.5 kW");
        turns("PLATE", 5.11);
        turns("LOAD", 3.5);
    }

    @Test
    public void takesReadingsThatHoldTheTruthWithinTheMetersClass() {
        isReady();
        setsFor605W();
        JsonNode before = waitFor(frame -> frame.get("bench").get("load").asDouble() == 3.5);
        JsonNode expected = of(before.get("expected"), "OUTPUT");
        assertEquals(expected.get("value").asDouble(), 605, 15, "expected before the key is down");
        does("KEY");
        metersSettle();
        assertTrue(frame().get("bench").get("keyed").asBoolean());
        does("TAKE");
        does("UNKEY");
        assertFalse(frame().get("bench").get("keyed").asBoolean());
        JsonNode draft = run.get("draft");
        assertEquals(draft.get("plate").asString(), "5.11");
        assertEquals(draft.get("load").asString(), "3.5");
        TubePoint truth = ((Outcome.Settled<TubePoint>) station.trueAt(35, 5.11, 3.5)).point();
        assertEquals(draft.get("output").get("value").asDouble(), truth.outputW(), 0.06 * 1500);
        assertEquals(
                of(draft.get("twin"), "OUTPUT").get("value").asDouble(),
                expected.get("value").asDouble(),
                1e-6);
        double read = Double.parseDouble(
                of(draft.get("cells"), "PLATE_CURRENT").get("shown").asString());
        assertEquals(read, truth.meters().plateCurrentA(), 0.035);
        does("RECORD");
        assertEquals(run.get("steps").size(), 1);
    }

    @Test
    public void whatTheReadingsWouldComeToIsToldBeforeTheyAreTaken() {
        isReady();
        assertFalse(frame().has("ifRead"), "the key is up");
        setsFor605W();
        does("KEY");
        metersSettle();
        JsonNode told = waitFor(frame -> frame.has("ifRead")).get("ifRead");
        assertEquals(told.get("sequence"), run.get("sequence"));
        assertTrue(run.get("draft").get("cells").isEmpty(), "told, not taken");
        post("/api/bench/key-up?noted=true", Map.of());
        waitFor(frame -> !frame.get("bench").get("keyed").asBoolean());
        does("TAKE", "told", told.get("id").asString());
        does("UNKEY");
        assertFalse(frame().has("ifRead"), "the key is up");
        JsonNode taken = run.get("draft");
        assertEquals(
                told.get("draft").get("cells"),
                taken.get("cells"),
                "what was seen is what is saved, though the key was up by then");
        assertEquals(told.get("draft").get("cells").size(), taken.get("cells").size());
        assertEquals(told.get("draft").get("plate"), taken.get("plate"));
        for (String figure : List.of("output", "efficiency", "heatPerTube", "gain")) {
            double value = taken.get(figure).get("value").asDouble();
            assertEquals(told.get("draft").get(figure).get("value").asDouble(), value, 1e-9, figure);
        }
        JsonNode rooms = run.get("room").get("rooms");
        assertEquals(told.get("room").get("rooms").size(), rooms.size());
        assertTrue(rooms.size() > 2, rooms.toString());
        for (int i = 0; i < rooms.size(); i++) {
            JsonNode room = told.get("room").get("rooms").get(i);
            assertEquals(room, rooms.get(i));
        }
    }

    @Test
    public void whatWasToldBeforeATurnIsNotTakenAfterIt() {
        isReady();
        setsFor605W();
        does("KEY");
        metersSettle();
        JsonNode told = waitFor(frame -> frame.has("ifRead")).get("ifRead");
        turns("LOAD", 4.5);
        assertFalse(frame().has("ifRead"), "the meters follow a hand that turns");
        does("TAKE", "told", told.get("id").asString());
        assertEquals(run.get("draft").get("load").asString(), "4.5");
        does("UNKEY");
        assertEquals(told.get("draft").get("load").asString(), "3.5");
    }

    @Test
    public void aSecondWattmeterIsReadByItsInstrumentAsAnyOther() {
        isReady("Marker");
        setsFor605W();
        does("KEY");
        metersSettle();
        does("TAKE");
        does("UNKEY");
        TubePoint truth = ((Outcome.Settled<TubePoint>) station.trueAt(35, 5.11, 3.5)).point();
        JsonNode second = of(run.get("draft").get("cells"), "OTHER_OUTPUT");
        assertEquals(Double.parseDouble(second.get("shown").asString()), 1.05 * truth.outputW(), 0.05 * 2000);
        does("RECORD");
        assertEquals(run.get("wattmeters").get("comparison").get("points").size(), 1);
        // The others find Fathom as it begins.
        does("RANGE", "role", "OUTPUT", "text", "150 W");
    }

    @Test
    public void aReadingRightAfterATurnSaysNothingOfWhatStoodBefore() {
        Map<String, Object> request = new LinkedHashMap<>(start("KHZ_472", "0.4755"));
        request.put("amplifierId", equipmentId("Lugger 300"));
        request.put("meterIds", List.of(equipmentId("Vane")));
        request.put("terminationId", equipmentId("Mizzen"));
        request.put("school", "RESONANCE");
        request.put("source", "BENCH");
        request.put("resonance", Map.of("witness", "PHASE"));
        Reply reply = post("/api/runs", request);
        assertEquals(reply.status(), 201, reply.text());
        run = reply.json();
        for (int point = 0; !run.at("/advice/move").asString().equals("KEY_AND_READ"); point++) {
            assertTrue(point < 30, run.get("advice").toString());
            does("FOLLOW");
        }
        does("KEY");
        keyedFor(1);
        for (int motor = 3; motor <= 9; motor += 3) {
            double before = phase();
            turns("MOTOR", motor);
            double atOnce = phase();
            keyedFor(get("/api/bench").json().get("keyedForS").asDouble() + 1);
            double after = phase();
            // Three short steps are 11° or so, wind a tenth of that.
            assertEquals(atOnce, after, 0.4 * Math.abs(after - before), "from " + before);
        }
        does("UNKEY");
    }

    private double phase() {
        does("TAKE");
        return Double.parseDouble(
                of(run.at("/draft/cells"), "PHASE").get("shown").asString().replace('\u2212', '-'));
    }

    @DataProvider
    public Object[][] signs() {
        return new Object[][] {
            {"wrong band", "MHZ_28", 17.5, 5.18, 1.5, "METERS_STILL"},
            {"too light", "MHZ_7", 50.0, 5.17, 1.5, "COUPLED_TOO_LIGHTLY"},
            {"over-driven and light", "MHZ_7", 70.0, 5.19, 1.1, "GRID_CURRENT_LIMIT"},
            {"off resonance", "MHZ_7", 50.0, 2.0, 4.5, "PLATE_CURRENT_WITHOUT_OUTPUT"},
        };
    }

    @Test(dataProvider = "signs")
    public void whatIsWrongOnTheBenchIsReadOffItsMeters(
            String what, String band, double driveW, double plate, double load, String sign) {
        isReady();
        does("RANGE", "role", "OUTPUT", "text", "1.5 kW");
        does("SET", "control", "DRIVE", "text", Double.toString(driveW));
        assertEquals(post("/api/runs/" + id() + "/bench", Map.of("band", band)).status(), 204);
        turns("PLATE", plate);
        turns("LOAD", load);
        does("KEY");
        metersSettle();
        JsonNode grid = of(frame().get("readings"), "GRID_CURRENT");
        assertEquals(
                grid.path("over").asString("").replace('\u00a0', ' '),
                grid.get("value").asDouble() > 0.2
                        ? "Grid current over 0.2 A: key up"
                        : grid.get("value").asDouble() >= GRID_STOP_A
                                ? "Grid current at its stop of 0.193 A: turn back"
                                : "",
                what);
        assertTrue(!sign.equals("GRID_CURRENT_LIMIT") || grid.has("over"), what + ": " + grid);
        does("TAKE");
        does("UNKEY");
        assertEquals(
                post("/api/runs/" + id() + "/bench", Map.of("band", "MHZ_7")).status(), 204);
        assertTrue(run.get("draft").get("signs").toString().contains(sign), what + ": " + run.get("draft"));
    }

    @Test
    public void anAmplifierThatDoesNotStandOnTheBenchIsRefusedAtTheStart() {
        Map<String, Object> request = new LinkedHashMap<>(start("MHZ_7", "7.1"));
        request.put("source", "BENCH");
        request.put("amplifierId", equipmentId("Coracle"));
        request.put("exciterId", equipmentId("Skiff 10"));
        request.put("meterIds", java.util.List.of(equipmentId("Fathom"), equipmentId("Coracle panel")));
        Reply reply = post("/api/runs", request);
        assertEquals(reply.status(), 422);
        assertTrue(reply.text().contains("Brigantine and Barque stand on it"), reply.text());
    }

    @Test
    public void aColdTubeOnTheBenchIsNotKeyedByTheRun() throws IOException {
        begins();
        for (JsonNode check : run.get("preflight")) {
            does("CHECK", "check", check.get("code").asString());
        }
        heaters("OFF");
        try {
            waitFor(frame -> frame.get("bench").get("heaterS").asDouble() == 0);
            does("FOLLOW");
            assertEquals(run.get("warm").get("speed").asDouble(), 100.0);
            Reply refused =
                    post("/api/runs/" + id() + "/acts", act(run.get("sequence").asLong(), "KEY"));
            assertEquals(refused.status(), 422, refused.text());
            assertTrue(refused.text().contains("not warm"), refused.text());
            assertFalse(frame().get("bench").get("keyed").asBoolean());
        } finally {
            heaters("ON");
        }
    }

    @Test
    public void aPadBringsTheExcitersPowerDownToWhatATetrodeTakes() throws IOException {
        Map<String, Object> request = new LinkedHashMap<>(start("MHZ_7", "7.1"));
        request.put("amplifierId", equipmentId("Barque"));
        request.put("meterIds", List.of(equipmentId("Fathom"), equipmentId("Barque panel")));
        request.put("padId", equipmentId("Fender 16"));
        request.put("source", "BENCH");
        Reply reply = post("/api/runs", request);
        assertEquals(reply.status(), 201, reply.text());
        run = reply.json();
        assertEquals(run.get("line").get(1).get("title").asString(), "Fender 16");
        for (JsonNode check : run.get("preflight")) {
            does("CHECK", "check", check.get("code").asString());
        }
        waitFor(frame -> frame.get("bench").get("heaterS").asDouble() > 120);
        does("WARM");
        does("SET", "control", "DRIVE", "text", "2");
        try (Socket exciter = new Socket(InetAddress.getLoopbackAddress(), firstPort)) {
            exciter.setSoTimeout(5000);
            exciter.getOutputStream().write("SOUR:POW?\n".getBytes(StandardCharsets.US_ASCII));
            String said = new BufferedReader(new InputStreamReader(exciter.getInputStream(), StandardCharsets.US_ASCII))
                    .readLine();
            assertEquals(Double.parseDouble(said), 2 * Math.pow(10, 1.61), 0.01);
        }
        JsonNode frame = waitFor(one -> one.get("bench").get("driveW").asDouble() > 1.9);
        assertEquals(frame.get("bench").get("driveW").asDouble(), 2, 1e-3, "the drive at the amplifier");
        Reply tooMuch = post("/api/runs/" + id() + "/bench", Map.of("control", "DRIVE", "to", 5));
        assertEquals(tooMuch.status(), 422, "no more than the pad lets through");
        does("ABANDON");
        begins();
        does("ABANDON");
    }

    @Test
    public void theBenchsWattmeterStandsOnTheRangeThatTheRunBeginsWith() throws IOException {
        Map<String, Object> request = new LinkedHashMap<>(start("MHZ_7", "7.1"));
        request.put("amplifierId", equipmentId("Barque"));
        request.put("meterIds", List.of(equipmentId("Fathom"), equipmentId("Barque panel")));
        request.put("school", "MAKERS_CHART");
        request.put("source", "BENCH");
        run = post("/api/runs", request).json();
        assertEquals(wattmeterEndsAtW(), 1500.0, "a tetrode's first step brings hundreds of watts");
        does("ABANDON");
        begins();
        assertEquals(wattmeterEndsAtW(), 150.0, "the triodes' first step does not");
        does("ABANDON");
    }

    private static double wattmeterEndsAtW() throws IOException {
        try (Socket wattmeter = new Socket(InetAddress.getLoopbackAddress(), bench.port(2))) {
            wattmeter.setSoTimeout(5000);
            wattmeter.getOutputStream().write("SENS:POW:RANG?\n".getBytes(StandardCharsets.US_ASCII));
            return Double.parseDouble(
                    new BufferedReader(new InputStreamReader(wattmeter.getInputStream(), StandardCharsets.US_ASCII))
                            .readLine());
        }
    }

    private static void heaters(String state) throws IOException {
        try (Socket panel = new Socket(InetAddress.getLoopbackAddress(), bench.port(1))) {
            panel.getOutputStream().write(("PAN:HEAT " + state + ";*OPC?\n").getBytes(StandardCharsets.US_ASCII));
            assertTrue(panel.getInputStream().read() > 0);
        }
    }

    @Test
    public void theRunStaysWhenTheBenchIsPulledAndItComesBackByItself() throws IOException {
        isReady();
        waitFor(frame ->
                of(frame.get("readings"), "OUTPUT").get("health").asString().equals("OK"));
        bench.close();
        station = new SimulatedStation(7, 100);
        try {
            waitFor(frame -> !frame.get("bench").get("present").asBoolean());
            // One look in vain may be a busy machine: it stays to be chosen for some seconds.
            assertTrue(offersTheBench());
            waitFor(frame ->
                    of(frame.get("readings"), "OUTPUT").get("health").asString().equals("AWAY"));
            assertEquals(
                    post("/api/runs/" + id() + "/bench", Map.of("control", "LOAD", "to", 4))
                            .status(),
                    422);
            does("KEY");
            does("UNKEY");
            does("READ", "role", "OUTPUT", "text", "88");
            assertEquals(
                    of(run.get("draft").get("cells"), "OUTPUT").get("shown").asString(), "88");
            waitFor(frame -> !offersTheBench());
        } finally {
            bench = again();
        }
        waitFor(frame -> frame.get("bench").get("present").asBoolean());
        assertTrue(offersTheBench());
        waitFor(frame ->
                of(frame.get("readings"), "OUTPUT").get("health").asString().equals("OK"));
    }

    private boolean offersTheBench() {
        return get("/api/choices").json().get("sources").toString().contains("BENCH");
    }

    /** Begins the bench again where it was; its port may still be letting go. */
    private static Bench again() throws IOException {
        for (int i = 0; ; i++) {
            try {
                return new Bench(station, firstPort);
            } catch (IOException taken) {
                if (i == 20) {
                    throw taken;
                }
                pause(100);
            }
        }
    }

    @Test
    public void streamsTwentyFramesASecond() throws IOException, InterruptedException {
        begins();
        HttpResponse<InputStream> stream = HttpClient.newHttpClient()
                .send(request("/api/runs/" + id() + "/live").GET().build(), HttpResponse.BodyHandlers.ofInputStream());
        try (BufferedReader lines = new BufferedReader(new InputStreamReader(stream.body(), StandardCharsets.UTF_8))) {
            int frames = 0;
            long from = 0;
            while (frames <= 40) {
                String line = lines.readLine();
                if (line.startsWith("data:")) {
                    JsonNode frame = JSON.readTree(line.substring(5));
                    assertTrue(frame.has("bench") && frame.has("readings") && frame.has("expected"), line);
                    if (frames++ == 0) {
                        from = System.nanoTime();
                    }
                }
            }
            double seconds = (System.nanoTime() - from) / 1e9;
            assertTrue(seconds > 1.5 && seconds < 6, "40 frames took " + seconds + " s");
        }
    }

    /** Returns the first live frame of which something is expected, in a language. */
    private String frame(String language) throws IOException, InterruptedException {
        HttpResponse<InputStream> stream = HttpClient.newHttpClient()
                .send(
                        request("/api/runs/" + id() + "/live")
                                .header("Cookie", "language=" + language)
                                .GET()
                                .build(),
                        HttpResponse.BodyHandlers.ofInputStream());
        try (BufferedReader lines = new BufferedReader(new InputStreamReader(stream.body(), StandardCharsets.UTF_8))) {
            while (true) {
                String line = lines.readLine();
                if (line.contains("\"shown\":")) {
                    return line;
                }
            }
        }
    }

    @Test
    public void eachPageIsSpokenToInItsLanguage() throws IOException, InterruptedException {
        begins();
        assertTrue(frame("de").matches(".*\"shown\":\"\\d+,\\d+\".*"), "digits with a comma");
        assertTrue(frame("en").matches(".*\"shown\":\"\\d+\\.\\d+\".*"), "digits with a point");
    }

    @Test
    public void sickInstrumentsShowAsSuchAndHoldUpNobody() throws IOException {
        begins();
        try (Sick silent = new Sick(null, 0);
                Sick garbage = new Sick("#!%", 0);
                Sick slow = new Sick("0.125", 350);
                Sick huge = new Sick("1e30", 0)) {
            assertEquals(tried(silent, 0.3).get("health").asString(), "SILENT");
            assertEquals(tried(garbage, 0.3).get("health").asString(), "UNREADABLE");
            assertEquals(tried(slow, 0.5).get("value").asDouble(), 0.125);
            place("PLATE_CURRENT", slow);
            waitFor(frame -> health(frame, "PLATE_CURRENT").equals("SLOW"));
            place("GRID_CURRENT", garbage);
            waitFor(frame -> health(frame, "GRID_CURRENT").equals("UNREADABLE"));
            place("PLATE_VOLTAGE", huge);
            waitFor(frame -> health(frame, "PLATE_VOLTAGE").equals("IMPLAUSIBLE"));
            place("PLATE_CURRENT", silent);
            waitFor(frame -> health(frame, "PLATE_CURRENT").equals("SILENT"));
            JsonNode output = of(frame().get("readings"), "OUTPUT");
            assertEquals(output.get("health").asString(), "OK");
            assertTrue(output.get("ageS").asDouble() < 0.4, "a sick neighbour holds up nobody: " + output);
        }
    }

    @Test
    public void aReadingThatIsLateIsWaitedFor() throws IOException {
        try (Sick late = new Sick("0.125", 900)) {
            place("GRID_CURRENT", late, 2);
            isReady();
            waitFor(frame -> health(frame, "GRID_CURRENT").equals("OK"));
            for (int i = 0; i < 4; i++) {
                does("TAKE");
                String shown =
                        of(run.at("/draft/cells"), "GRID_CURRENT").get("shown").asString();
                assertEquals(Double.parseDouble(shown), 0.125, 0.001);
                pause(250);
            }
        }
    }

    /** What is said of a source; nothing in the moment when it was put in another's place. */
    private static String health(JsonNode frame, String role) {
        for (JsonNode one : frame.get("readings")) {
            if (one.get("role").asString().equals(role)) {
                return one.get("health").asString();
            }
        }
        return "";
    }

    private static Map<String, Object> instrument(String name, int port, String role, double timeoutS) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("kind", "instrument");
        body.put("name", name);
        body.put("host", "127.0.0.1");
        body.put("port", port);
        body.put("queries", List.of(query("READ?", role)));
        body.put("pollS", 0.05);
        body.put("timeoutS", timeoutS);
        return body;
    }

    private static Map<String, Object> query(String query, String role) {
        return Map.of("query", query, "factor", 1, "meter", "Brigantine panel", "role", role);
    }

    private JsonNode tried(Sick sick, double timeoutS) {
        return post("/api/instruments/try", instrument("Tried", sick.port(), "GRID_CURRENT", timeoutS))
                .json()
                .get(0);
    }

    /** Puts a sick instrument in the place of the bench's panel, for one of its readings. */
    private void place(String role, Sick sick) {
        place(role, sick, 0.5);
    }

    private void place(String role, Sick sick, double timeoutS) {
        for (JsonNode one : get("/api/equipment").json()) {
            if (one.get("name").asString().equals("Tube panels on the bench")) {
                Reply reply = put(
                        "/api/equipment/" + one.get("id").asString() + "?revision="
                                + one.get("revision").asInt(),
                        instrument("Tube panels on the bench", sick.port(), role, timeoutS));
                assertEquals(reply.status(), 200, reply.text());
            }
        }
    }

    @Test
    public void aPageThatDoesNotReadHoldsUpNobody() throws Exception {
        isReady();
        String request = "GET /api/runs/" + id() + "/live HTTP/1.1\r\nHost: 127.0.0.1:" + port + "\r\n\r\n";
        List<Socket> stalled = new java.util.ArrayList<>();
        for (int i = 0; i < 6; i++) {
            Socket socket = new Socket();
            socket.setReceiveBufferSize(1024);
            socket.connect(new java.net.InetSocketAddress(InetAddress.getLoopbackAddress(), port));
            socket.getOutputStream().write(request.getBytes(StandardCharsets.US_ASCII));
            stalled.add(socket);
        }
        HttpResponse<InputStream> stream = HttpClient.newHttpClient()
                .send(request("/api/runs/" + id() + "/live").GET().build(), HttpResponse.BodyHandlers.ofInputStream());
        try (BufferedReader in = new BufferedReader(new InputStreamReader(stream.body(), StandardCharsets.UTF_8))) {
            long started = System.nanoTime();
            long last = started;
            long longest = 0;
            while (last - started < 12_000_000_000L) {
                if (in.readLine().startsWith("data:")) {
                    long now = System.nanoTime();
                    longest = Math.max(longest, now - last);
                    last = now;
                }
            }
            // One that does not read would hold up all for the time-out of its connection, 5 s.
            assertTrue(longest < 4_500_000_000L, "no frame for " + longest / 1e9 + " s");
        }
        for (Socket socket : stalled) {
            socket.close();
        }
    }

    @Test
    public void aRecordThatCannotBeReadAndPortsThatAreNoneEndNothing() {
        database.update("insert into equipment (id, revision, name, body) values (gen_random_uuid(), 1, 'Broken',"
                + " '{\"kind\": \"instrument\", \"name\": \"Broken\", \"port\": 65536}')");
        Map<String, Object> beyond = instrument("Beyond", 65_535, "GRID_CURRENT", 0.5);
        beyond.put("host", "bench");
        Map<String, Object> nameless = instrument("Nameless", 5025, "PLATE_VOLTAGE", 0.5);
        nameless.put("host", "bad.cafe");
        for (Map<String, Object> one : List.of(beyond, nameless)) {
            assertEquals(post("/api/equipment", one).status(), 201);
        }
        beyond.put("queries", List.of(query("READ?", "GRID_CURRENT"), query("READ?", "PLATE_CURRENT")));
        JsonNode tried = post("/api/instruments/try", beyond).json();
        assertEquals(tried.size(), 2);
        tried.forEach(one -> assertEquals(one.get("health").asString(), "AWAY"));
        assertEquals(
                post("/api/instruments/try", nameless)
                        .json()
                        .at("/problems/0/code")
                        .asString(),
                "HOST_NOT_LISTED");
        Map<String, Object> database = instrument("Database", databasePort(), "GRID_CURRENT", 0.5);
        assertEquals(
                post("/api/instruments/try", database)
                        .json()
                        .at("/problems/0/code")
                        .asString(),
                "NO_INSTRUMENT_PORT");
        this.database.update("delete from equipment where name = 'Broken'");
        begins();
        waitFor(frame -> health(frame, "OUTPUT").equals("OK"));
    }

    private static int databasePort() {
        return Integer.parseInt(Postgres.setting("TUBRIN_JDBC_URL").replaceAll(".*:(\\d+)/.*", "$1"));
    }

    @Test
    public void theKeyGoesUpFromAnywhereAndTheRunNotesIt() {
        isReady();
        does("SET", "control", "DRIVE", "text", "10");
        does("KEY");
        keyedFor(0.1);
        double keyedForS = get("/api/bench").json().get("keyedForS").asDouble();
        assertTrue(keyedForS > 0.05 && keyedForS < PATIENCE_MS / 1000.0, "keyed for " + keyedForS);
        assertEquals(post("/api/bench/key-up?noted=false", "").status(), 204);
        assertFalse(frame().get("bench").get("keyed").asBoolean());
        assertEquals(get("/api/runs/" + id()).json().at("/clock/phase").asString(), "RESTING");
        assertTrue(get("/api/bench").json().path("keyedForS").isMissingNode());
    }

    @Test
    public void onlyThisMachineAndOnlyQuestionsAreAskedFor() {
        Map<String, Object> far = instrument("Far", 5025, "OUTPUT", 0.5);
        far.put("host", "192.0.2.1");
        Reply refused = post("/api/instruments/try", far);
        assertEquals(refused.status(), 422);
        assertTrue(refused.text().contains("TUBRIN_INSTRUMENT_HOSTS"), refused.text());
        for (String query : new String[] {"OUTP ON", "OUTP ON;*OPC?", "*IDN?;OUTP ON", "?"}) {
            Map<String, Object> keys = instrument("Keys", 5025, "OUTPUT", 0.5);
            keys.put("query", query);
            assertEquals(post("/api/equipment", keys).status(), 422, query);
        }
    }

    /** An instrument that is not well: what it answers, and after how long. */
    private static final class Sick implements AutoCloseable {
        private final ServerSocket socket = new ServerSocket(0, 8, InetAddress.getLoopbackAddress());

        Sick(String answer, long afterMs) throws IOException {
            Thread thread = new Thread(() -> serve(answer, afterMs));
            thread.setDaemon(true);
            thread.start();
        }

        int port() {
            return socket.getLocalPort();
        }

        private void serve(String answer, long afterMs) {
            while (!socket.isClosed()) {
                try {
                    Socket client = socket.accept();
                    Thread thread = new Thread(() -> talk(client, answer, afterMs));
                    thread.setDaemon(true);
                    thread.start();
                } catch (IOException e) {
                    return;
                }
            }
        }

        private static void talk(Socket client, String answer, long afterMs) {
            try (client;
                    BufferedReader in = new BufferedReader(
                            new InputStreamReader(client.getInputStream(), StandardCharsets.US_ASCII))) {
                while (in.readLine() != null) {
                    pause(afterMs);
                    if (answer != null) {
                        client.getOutputStream().write((answer + "\n").getBytes(StandardCharsets.US_ASCII));
                    }
                }
            } catch (IOException e) {
                // The server went on without it.
            }
        }

        @Override
        public void close() throws IOException {
            socket.close();
        }
    }

    /** Waits until a meter of the set has shown what it must for as long as a reading looks back. */
    private void shows(String role, double expected, double within) {
        long end = System.currentTimeMillis() + PATIENCE_MS;
        long since = System.currentTimeMillis();
        while (System.currentTimeMillis() - since < LOOKS_BACK_MS) {
            JsonNode live = get("/api/supply/live").json();
            if (!(Math.abs(shown(live.get("figures"), role) - expected) <= within)) {
                since = System.currentTimeMillis();
            }
            assertTrue(System.currentTimeMillis() < end, role + " does not come to " + expected + ": " + live);
            pause(50);
        }
    }

    private static double shown(JsonNode figures, String role) {
        for (JsonNode figure : figures) {
            if (figure.get("role").asString().equals(role) && figure.has("shown")) {
                String number = figure.get("shown").asString().split("\\h", 2)[0];
                return Double.parseDouble(number.replace('\u2212', '-'));
            }
        }
        return Double.NaN;
    }

    /** Measures a set as the page does, by the bench's own meters, until it is enough or to be stopped; returns the last view. */
    private JsonNode measured(String supply) {
        Map<String, Object> fresh = new LinkedHashMap<>();
        fresh.put("name", "Halyard on " + supply);
        fresh.put("set", "Halyard 100");
        fresh.put("supply", supply);
        fresh.put("greatestW", 100);
        fresh.put("keyed", List.of());
        JsonNode kept = post("/api/supply-records/profiles", fresh).json();
        for (int i = 0; i < 12; i++) {
            JsonNode view =
                    post("/api/supply/profile", kept.get("body").toString()).json();
            String code = view.get("code").asString();
            if (code.equals("ENOUGH") || code.equals("STOP")) {
                return view;
            }
            boolean keyed = code.equals("KEY");
            Map<String, Object> act = new LinkedHashMap<>();
            act.put("supply", supply);
            act.put("keyed", keyed);
            if (keyed) {
                act.put("powerW", Math.max(0.1, view.get("nextW").asDouble()));
            }
            assertEquals(post("/api/supply/bench", act).status(), 204);
            double outputW = keyed ? (Double) act.get("powerW") : 0;
            shows("OUTPUT", outputW, 5 + 0.05 * outputW);
            // 1.2 A in reception; what it draws at a power is what is to be measured: as fast a meter as the other.
            if (!keyed) {
                shows("SUPPLY_CURRENT", 1.2, 0.1);
            }
            Map<String, Object> reading = Map.of("keyed", keyed);
            Reply read = post(
                    "/api/supply/profiles/" + kept.get("id").asString() + "/readings?revision="
                            + kept.get("revision").asInt(),
                    reading);
            assertEquals(read.status(), 200, read.text());
            kept = read.json();
        }
        throw new AssertionError("no end");
    }

    @Test
    public void aSetIsMeasuredOnTheBenchAndItsCurveIsTheBenchsOwn() {
        JsonNode view = measured("Windlass 40");
        assertEquals(view.get("code").asString(), "ENOUGH");
        for (JsonNode point : view.get("curve")) {
            double outputW = point.get("outputW").asDouble();
            if (outputW > 15 && !point.get("predicted").asBoolean()) {
                double trueA = 1.2 + 1.98 * Math.sqrt(outputW);
                assertEquals(point.get("currentA").asDouble(), trueA, 0.08 * trueA, "at " + outputW + " W");
            }
        }
        JsonNode live = get("/api/supply/live").json();
        assertEquals(live.get("figures").size(), 3);
        post("/api/supply/bench", Map.of("keyed", false));
        assertFalse(get("/api/supply/live").json().get("keyed").asBoolean());
    }

    @Test
    public void aSupplyThatRisesOnTheBenchStopsTheMeasuringAndEveryPlanWithIt() {
        JsonNode view = measured("Bilge 30");
        assertEquals(view.get("code").asString(), "STOP", view.toString());
        post("/api/supply/bench", Map.of("keyed", false));
        Reply refused = post("/api/supply/bench", Map.of("supply", "Mainstay 50"));
        assertEquals(refused.json().at("/problems/0/code").asString(), "BENCH_REFUSES");
        assertTrue(refused.text().contains("Capstan, Windlass or Bilge"), refused.text());
    }
}
