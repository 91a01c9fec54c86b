package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

public class RunApiTest extends ServerTest {
    private static final String[][] CLIMB = {
        {"5.21", "0.5", "138", "0.161", "0.008", "2.71"},
        {"5.18", "1.5", "235", "0,213", "17 mA", "2680 V"},
        {"5.14", "2.5", "385", "0.292", "0.036", "2.64"},
        {"5.11", "3.5", "605", "403 mA", "0.079", "2,58"},
        {"5.09", "5.0", "0.875 kW", "0.576", "0.149", "2.49"},
    };

    private String path() {
        return "/api/runs/" + run.get("id").asString() + "/acts";
    }

    private void begins(String band, String frequency) {
        Reply reply = post("/api/runs", start(band, frequency));
        assertEquals(reply.status(), 201, reply.text());
        run = reply.json();
    }

    private void readsStep(String[] row) {
        does("KEY");
        does("UNKEY");
        does("SET", "control", "PLATE", "text", row[0]);
        does("SET", "control", "LOAD", "text", row[1]);
        String[] roles = {"OUTPUT", "PLATE_CURRENT", "GRID_CURRENT", "PLATE_VOLTAGE"};
        for (int i = 0; i < roles.length; i++) {
            does("READ", "role", roles[i], "text", row[2 + i]);
        }
    }

    private static double square(double one) {
        return one * one;
    }

    private JsonNode pointer(String role) {
        for (JsonNode row : run.get("rows")) {
            if (row.get("role").asString().equals(role)) {
                return row.get("pointer");
            }
        }
        throw new AssertionError(role);
    }

    private String move() {
        return run.get("advice").get("move").asString();
    }

    /** What is read of a run is kept in mind; what the database holds counts all the same. */
    @Test
    public void aRunThatWasPutInThePlaceOfAnotherIsTheOneShown() {
        begins("MHZ_7", "7,05");
        does("WARM", "text", "10");
        String id = run.get("id").asString();
        long sequence = run.get("sequence").asLong();
        database.update(
                "update run_event set client_id = gen_random_uuid(), body = jsonb_set(body, '{setup,frequencyHz}',"
                        + " '7010000') where run_id = ?::uuid",
                id);
        assertEquals(get("/api/runs/" + id).json().get("frequencyHz").asDouble(), 7_010_000, 1e-6);
        // What was written behind its back is followed too.
        database.update("delete from run_event where run_id = ?::uuid and sequence = ?", id, sequence);
        assertEquals(get("/api/runs/" + id).json().get("sequence").asLong(), sequence - 1);
        database.update("delete from run_event where run_id = ?::uuid", id);
        assertEquals(get("/api/runs/" + id).status(), 404);
    }

    /** Poor output is peaked afresh: until the key is down what was read stands, then all is read again. */
    @Test
    public void whoPeaksAfreshReadsAfresh() {
        begins("MHZ_7", "7,05");
        does("WARM", "text", "10");
        for (int i = 0; i < 30 && !"KEY_AND_PEAK".equals(move()); i++) {
            does("FOLLOW");
        }
        readsStep(new String[] {"5.18", "1.5", "40", "0.213", "17 mA", "2680 V"});
        String id = run.get("id").asString();
        String said = run.get("advice").toString();
        assertTrue(List.of("REST", "KEY_AND_PEAK").contains(move()), said);
        assertEquals(get("/api/runs/" + id).json().at("/draft/cells").size(), 4);
        does("KEY");
        assertEquals(run.at("/draft/cells").size(), 0, said);
        assertEquals(run.get("advice").get("move").asString(), "PEAK_AND_READ");
    }

    @Test
    public void followingTheAdviceOverHttpEndsOnTheCard() {
        begins("MHZ_7", "7,05");
        does("WARM", "text", "10");
        assertEquals(pointer("OUTPUT").get("fullScale").asDouble(), 150, 1e-9);
        assertTrue(pointer("OUTPUT").path("stop").isMissingNode(), "a kilowatt is beyond this range");
        assertEquals(pointer("GRID_CURRENT").get("fullScale").asDouble(), 0.35, 1e-9);
        // 200 mA, less what 3 % of 350 mA leave open.
        assertEquals(pointer("GRID_CURRENT").get("stop").asDouble(), 0.19, 0.002);
        List<String> sentences = new ArrayList<>();
        for (int i = 0; i < 80 && !"Done".equals(move()); i++) {
            sentences.add(run.get("advice").get("sentence").asString());
            if ("KEY_AND_PEAK".equals(move()) || "REST".equals(move())) {
                readsStep(CLIMB[run.get("steps").size()]);
            } else {
                does("FOLLOW");
            }
        }
        assertEquals(run.get("phase").asString(), "FINISHED", String.join("\n", sentences));
        assertEquals(run.get("steps").size(), 5);
        assertEquals(pointer("OUTPUT").get("fullScale").asDouble(), 1500, 1e-9);
        assertTrue(
                pointer("OUTPUT").get("stop").asDouble() < 1000
                        && pointer("OUTPUT").get("stop").asDouble() > 900,
                run.get("rows").toString());
        assertTrue(
                sentences.stream().anyMatch(said -> said.matches("LOAD .* heavier, from 3\\.5 to [45]\\.\\d.*")),
                String.join("\n", sentences));
        assertTrue(sentences.contains("Fathom to its 1.5 kW range"), String.join("\n", sentences));
        JsonNode last = run.get("steps").get(4);
        assertEquals(last.get("kind").asString(), "FINISH");
        assertEquals(last.get("efficiency").get("withUncertainty").asString(), "61\u2009±\u20097");

        String figures = "/api/runs/" + run.get("id").asString() + "/steps/";
        JsonNode efficiency = get(figures + "4/figures/EFFICIENCY").json();
        assertEquals(efficiency.get("shown").asString(), "61\u2009±\u20097\u2009%");
        assertEquals(efficiency.get("used").size(), 3, efficiency.toString());
        // 43.3 of 875 W, 17.3 of 576 mA, 69.3 of 2490 V: each squared, over their sum.
        double[] parts = {square(43.301 / 875), square(0.017321 / 0.576), square(69.282 / 2490)};
        for (int i = 0; i < parts.length; i++) {
            assertEquals(
                    efficiency.get("shares").get(i).get("percent").asDouble(),
                    100 * parts[i] / (parts[0] + parts[1] + parts[2]),
                    0.1,
                    efficiency.toString());
        }
        assertTrue(
                efficiency.get("narrower").asString().startsWith("Fathom: Output, 1.5 kW makes 59 % of it."),
                efficiency.toString());
        // The class error of one range is in both, and what is left is known better than either.
        assertEquals(get(figures + "4/figures/GROWTH").json().get("used").size(), 2);
        assertEquals(get(figures + "0/figures/GROWTH").status(), 404, "nothing before it");
        assertEquals(get(figures + "9/readings/OUTPUT").status(), 404);
        // What room is left opens to the very figure that is held against the limit.
        int opened = 0;
        for (JsonNode room : run.at("/room/rooms")) {
            String of = room.has("figure")
                    ? "figures/" + room.get("figure").asString()
                    : "readings/" + room.path("role").asString();
            if (!room.get("kind").asString().equals("DRIVE")) {
                JsonNode madeOf =
                        get(figures + run.at("/room/place").asInt() + "/" + of).json();
                assertTrue(
                        room.get("shown")
                                .asString()
                                .startsWith(madeOf.get("shown").asString().split("\u2009[A-Z]")[0]),
                        room + " of " + madeOf);
                opened++;
            }
        }
        assertTrue(opened >= 4, run.get("room").toString());
        assertEquals(get(figures + "4/figures/HUM").status(), 404);
        JsonNode row = null;
        for (JsonNode card : get("/api/cards").json()) {
            if (card.get("runId").asString().equals(run.get("id").asString())) {
                row = card;
            }
        }
        assertTrue(row != null, "the finished run is the newest row of its place");
        assertEquals(row.get("plate").asString() + " " + row.get("load").asString(), "5.09 5.0");
        assertEquals(row.get("outputW").asString(), "875");
        assertEquals(row.get("frequencyMhz").asString(), "7.050");
        String csv = get("/api/runs/" + run.get("id").asString() + "/steps.csv").text();
        assertEquals(csv.split("\r\n").length, 6);
        assertTrue(csv.contains("17 mA"), "the raw text is kept");

        begins("MHZ_7", "7.1");
        does("WARM", "text", "10");
        while (!"SET_DIALS".equals(move())) {
            does("FOLLOW");
        }
        assertEquals(run.get("advice").get("sentence").asString(), "Set PLATE to 5.09, LOAD to 5.0");
        does("RANGE", "role", "OUTPUT", "text", "1.5 kW");
        does("READ", "role", "OUTPUT", "text", "138");
        JsonNode inHand = get("/api/runs/" + run.get("id").asString() + "/steps/0/readings/OUTPUT")
                .json();
        assertEquals(inHand.get("shown").asString(), "138\u2009±\u200971\u2009W", "0.95 of 5 % of 1.5 kW");
        assertTrue(
                inHand.get("narrower").asString().endsWith("The 150 W range holds this reading and is finer."),
                inHand.toString());
    }

    @Test
    public void whatLiesAheadIsWhatTheRunThenHas() {
        Map<String, Object> start = start("MHZ_7", "7.1");
        start.put("pace", Map.of("aim", "7", "stop", "9", "rest", "", "margin", "10"));
        JsonNode preview = post("/api/runs/preview", start).json();
        assertEquals(preview.get("aimS").asDouble(), 7.0);
        assertEquals(preview.get("ownRuns").asInt(), 0, "it was typed");
        assertEquals(
                preview.get("carrierS").asDouble(), 7.0 * preview.get("rungs").size());
        run = post("/api/runs", start).json();
        assertEquals(run.get("drivesW").size(), preview.get("rungs").size());
        assertEquals(run.at("/clock/aimS").asDouble(), 7.0);
        assertEquals(run.at("/clock/stopS").asDouble(), 9.0);
        assertTrue(
                run.at("/room/lowered").asString().contains("10 % below"),
                run.get("room").toString());
        start.put("pace", Map.of("aim", "20"));
        assertEquals(
                post("/api/runs/preview", start).json().at("/problems/0/field").asString(), "pace.aim");
        start.put("pace", Map.of("margin", "60"));
        assertEquals(
                post("/api/runs/preview", start).json().at("/problems/0/field").asString(), "pace.margin");
    }

    @Test
    public void anActSentTwiceIsTakenOnce() {
        begins("MHZ_14", "14.2");
        Map<String, Object> check = act(1, "CHECK", "check", "COVERS_ON");
        assertEquals(post(path(), check).json().get("sequence").asLong(), 2);
        Reply again = post(path(), check);
        assertEquals(again.status(), 200);
        assertEquals(again.json().get("sequence").asLong(), 2);
    }

    @Test
    public void aRunBegunTwiceIsBegunOnce() {
        Map<String, Object> start = start("MHZ_14", "14.2");
        int before = runs().size();
        assertEquals(post("/api/runs", start).status(), 201);
        assertEquals(post("/api/runs", start).status(), 201);
        assertEquals(runs().size(), before + 1);
    }

    @Test
    public void theSecondWindowIsToldAndCatchesUp() {
        begins("MHZ_14", "14.2");
        long seen = run.get("sequence").asLong();
        does("CHECK", "check", "COVERS_ON");
        Reply late = post(path(), act(seen, "CHECK", "check", "AIR_MOVING"));
        assertEquals(late.status(), 409);
        assertEquals(late.json().get("type").asString(), "stale");
        run = get("/api/runs/" + run.get("id").asString()).json();
        does("CHECK", "check", "AIR_MOVING");
    }

    @Test
    public void ofManyAtOnceJustOneIsTaken() throws Exception {
        begins("MHZ_14", "14.2");
        ExecutorService pool = Executors.newFixedThreadPool(8);
        List<Callable<Integer>> calls = new ArrayList<>();
        for (int i = 0; i < 16; i++) {
            calls.add(() -> post(path(), act(1, "CHECK", "check", "COVERS_ON")).status());
        }
        List<Integer> statuses = new ArrayList<>();
        for (Future<Integer> status : pool.invokeAll(calls)) {
            statuses.add(status.get());
        }
        pool.shutdown();
        assertEquals(statuses.stream().filter(status -> status == 200).count(), 1, statuses.toString());
        assertEquals(statuses.stream().filter(status -> status == 409).count(), 15, statuses.toString());
        assertEquals(
                database.queryForObject(
                        "select count(*) from run_event where run_id = ?::uuid",
                        Long.class,
                        run.get("id").asString()),
                Long.valueOf(2));
    }

    @Test
    public void badEntriesAreRefusedByFieldAndNothingIsLost() {
        begins("MHZ_7", "7.1");
        does("READ", "role", "OUTPUT", "text", "138");
        long sequence = run.get("sequence").asLong();
        Map<String, String> cases = Map.of(
                "abc",
                "NOT_A_NUMBER",
                "-5",
                "NEGATIVE",
                "1e9",
                "NOT_A_NUMBER",
                "",
                "MISSING",
                "12 V",
                "WRONG_UNIT",
                "99999999",
                "OUT_OF_RANGE",
                "1234567890123456789012345678",
                "TOO_LONG");
        cases.forEach((text, code) -> {
            Reply reply = post(path(), act(sequence, "READ", "role", "OUTPUT", "text", text));
            assertEquals(reply.status(), 422, text);
            JsonNode problem = reply.json().get("problems").get(0);
            assertEquals(problem.get("code").asString(), code, text);
            assertEquals(problem.get("field").asString(), "OUTPUT");
            assertFalse(problem.get("remedy").asString().isBlank());
        });
        JsonNode after = get("/api/runs/" + run.get("id").asString()).json();
        assertEquals(after.get("sequence").asLong(), sequence);
        assertEquals(after.get("draft").get("cells").get(0).get("shown").asString(), "138");
    }

    @Test
    public void aColdTubeAndAnUnansweredPointHoldTheKey() {
        begins("MHZ_7", "7.1");
        Reply keyed = post(path(), act(1, "KEY"));
        assertEquals(keyed.json().get("problems").get(0).get("code").asString(), "PREFLIGHT_OPEN");
        while (!move().equals("WAIT_FOR_WARMTH")) {
            does("FOLLOW");
        }
        assertEquals(run.get("phase").asString(), "WARMING");
        Reply cold = post(path(), act(run.get("sequence").asLong(), "KEY"));
        assertEquals(cold.json().get("problems").get(0).get("code").asString(), "NOT_WARM");
    }

    @Test
    public void anImplausibleEntryIsAskedAboutKeptAndConfirmed() {
        begins("MHZ_7", "7.1");
        does("READ", "role", "PLATE_VOLTAGE", "text", "27");
        JsonNode cell = run.get("draft").get("cells").get(0);
        assertEquals(cell.get("shown").asString(), "27");
        assertTrue(cell.get("question").asString().contains("Is it so?"));
        does("READ", "role", "PLATE_VOLTAGE", "text", "27", "confirmed", true);
        assertFalse(run.get("draft").get("cells").get(0).has("question"));
    }

    @Test
    public void anEditedAmplifierNeverRewritesHistory() {
        String finished = null;
        for (JsonNode one : runs()) {
            if (one.has("ending")) {
                finished = one.get("id").asString();
            }
        }
        JsonNode before = get("/api/runs/" + finished).json().get("steps");
        for (JsonNode one : get("/api/equipment").json()) {
            if (one.get("name").asString().equals("Brigantine")) {
                Reply edited = put(
                        "/api/equipment/" + one.get("id").asString() + "?revision="
                                + one.get("revision").asInt(),
                        one.get("body").toString().replace("\"tubeCount\":2", "\"tubeCount\":4"));
                assertEquals(edited.status(), 200, edited.text());
            }
        }
        assertEquals(get("/api/runs/" + finished).json().get("steps"), before);
    }

    @Test
    public void productsAndWaveformAreKeptAndToldApart() {
        begins("MHZ_7", "7.05");
        does("WARM", "text", "10");
        Reply early = post(
                path(), act(run.get("sequence").asLong(), "PRODUCTS", "products", products("AMPLIFIER", "31", false)));
        assertEquals(early.status(), 422, early.text());
        while (run.get("steps").isEmpty()) {
            if ("KEY_AND_PEAK".equals(move())) {
                readsStep(CLIMB[0]);
            } else {
                does("FOLLOW");
            }
        }
        does("PRODUCTS", "products", products("EXCITER", "42", true));
        does("PRODUCTS", "products", products("AMPLIFIER", "30", false));
        does("WAVEFORM", "waveform", "FLAT_TOP");
        JsonNode read =
                get("/api/runs/" + run.get("id").asString() + "/signal").json().get("read");
        assertEquals(read.get("exciter").get(0).get("toToneDb").asDouble(), -36, 0.03);
        assertEquals(read.get("own").get(0).get("likelyDb").asDouble(), -31.25, 0.05);
        assertEquals(read.get("waveform").asString(), "FLAT_TOP");
        assertTrue(read.get("waveformMeans").asString().contains("LOAD heavier"));
        Reply wrong = post(
                path(), act(run.get("sequence").asLong(), "PRODUCTS", "products", products("EXCITER", "2", false)));
        assertEquals(wrong.status(), 422);
        assertEquals(wrong.json().get("problems").get(0).get("field").asString(), "third");
    }

    private static Map<String, Object> products(String through, String third, boolean toPep) {
        return Map.of("through", through, "third", third, "toPep", toPep);
    }

    @Test
    public void theSchoolMayBeChangedInMidRunWithoutLosingAReading() {
        begins("MHZ_7", "7.05");
        does("WARM", "text", "10");
        while (run.get("steps").isEmpty()) {
            if ("KEY_AND_PEAK".equals(move())) {
                readsStep(CLIMB[0]);
            } else {
                does("FOLLOW");
            }
        }
        JsonNode before = run.get("steps");
        does("SCHOOL", "school", "DIP_AND_LOAD");
        assertEquals(run.get("school").asString(), "DIP_AND_LOAD");
        assertEquals(run.get("steps").get(0).get("cells"), before.get(0).get("cells"));
        assertTrue(
                run.get("subtitle").asString().contains("Dip and load"),
                run.get("subtitle").asString());
        for (int i = 0; i < 40 && !"KEY_AND_PEAK".equals(move()); i++) {
            if ("REST".equals(move())) {
                pause(500);
                run = get("/api/runs/" + run.get("id").asString()).json();
            } else {
                does("FOLLOW");
            }
        }
        String said = run.get("advice").get("sentence").asString();
        assertTrue(said.matches("Key at .* W, PLATE to the dip"), said);
        Reply pulsed = post(path(), act(run.get("sequence").asLong(), "SCHOOL", "school", "PULSED"));
        assertEquals(pulsed.status(), 422);
        assertTrue(pulsed.text().contains("average meter"), pulsed.text());
    }

    @Test
    public void aLadderOfOnesOwnAndTheMakersCeilingAreKept() {
        Map<String, Object> request = new java.util.LinkedHashMap<>(start("MHZ_7", "7.05"));
        request.put("rungs", "OWN");
        request.put("ownDrives", "5 20; 45");
        request.put("firstCeiling", "0,15");
        Reply reply = post("/api/runs", request);
        assertEquals(reply.status(), 201, reply.text());
        run = reply.json();
        assertEquals(run.get("drivesW").toString(), "[5.0,20.0,45.0,70.0]");
        does("WARM", "text", "10");
        while (!"KEY_AND_PEAK".equals(move())) {
            does("FOLLOW");
        }
        readsStep(CLIMB[0]);
        assertEquals(run.get("signs").get(0).get("code").asString(), "FIRST_CEILING");
        assertTrue(run.get("advice").get("sentence").asString().startsWith("Drive down"));
        request.put("runId", java.util.UUID.randomUUID().toString());
        request.put("ownDrives", "5 many");
        assertEquals(post("/api/runs", request).status(), 422);
    }

    private Map<String, Object> position(String role, String indication) {
        return Map.of("meterId", equipmentId("Fathom"), "position", Map.of("role", role, "indication", indication));
    }

    private String wattmeterSays() {
        for (JsonNode node : run.get("line")) {
            if (node.get("title").asString().equals("Fathom")) {
                return node.get("detail").asString();
            }
        }
        throw new AssertionError(run.get("line").toString());
    }

    private boolean asks(String role) {
        return run.get("rows")
                .valueStream()
                .anyMatch(row -> row.get("role").asString().equals(role));
    }

    @Test
    public void oneBoxIsReadInThePositionsThatTheRunNames() {
        run = post("/api/runs", start("MHZ_7", "7.05")).json();
        assertFalse(asks("REFLECTED"), "a switch away, and so only where it is wanted");
        assertFalse(wattmeterSays().contains("peak hold"), wattmeterSays());
        post(
                "/api/runs/" + run.get("id").asString() + "/acts",
                act(run.get("sequence").asLong(), "ABANDON", "text", "x"));

        Map<String, Object> request = start("MHZ_7", "7.05");
        request.put("positions", List.of(position("OUTPUT", "PEAK_HOLD"), position("REFLECTED", "AVERAGE")));
        Reply begun = post("/api/runs", request);
        assertEquals(begun.status(), 201, begun.text());
        run = begun.json();
        assertTrue(asks("REFLECTED"), run.get("draft").toString());
        assertTrue(wattmeterSays().startsWith("peak hold"), wattmeterSays());
        post(
                "/api/runs/" + run.get("id").asString() + "/acts",
                act(run.get("sequence").asLong(), "ABANDON", "text", "x"));

        request = start("MHZ_7", "7.05");
        request.put("school", "PULSED");
        begun = post("/api/runs", request);
        assertEquals(begun.status(), 201, "pulses are read in the position that holds them: " + begun.text());
        request = start("MHZ_7", "7.05");
        request.put("positions", List.of(position("OUTPUT", "PEAK_HOLD"), position("OUTPUT", "AVERAGE")));
        assertEquals(post("/api/runs/preview", request).status(), 422);
        request.put("positions", List.of(position("OUTPUT", "PEAK_PASSIVE")));
        Reply none = post("/api/runs/preview", request);
        assertEquals(none.json().at("/problems/0/field").asString(), "positions");
        request.put("positions", List.of(position("OUTPUT", "PEAK_HOLD")));
        request.put("meterIds", List.of(equipmentId("Brigantine panel")));
        Reply notInUse = post("/api/runs/preview", request);
        assertEquals(notInUse.json().at("/problems/0/field").asString(), "positions", notInUse.text());
    }

    @Test
    public void aMeterThatWasMendedInMidRunReachesTheRunAndTheRunSaysSo() {
        begins("MHZ_7", "7.1");
        does("READ", "role", "OUTPUT", "text", "100");
        assertEquals(run.get("corrections").size(), 0);
        JsonNode fathom = null;
        for (JsonNode one : get("/api/equipment").json()) {
            fathom = one.get("name").asString().equals("Fathom") ? one : fathom;
        }
        Reply mended = put(
                "/api/equipment/" + fathom.get("id").asString() + "?revision="
                        + fathom.get("revision").asInt(),
                fathom.get("body")
                        .toString()
                        .replaceFirst("\"correctionFactor\":1(\\.0)?", "\"correctionFactor\":1.25"));
        assertEquals(mended.status(), 200, mended.text());
        run = get(path().replace("/acts", "")).json();
        assertEquals(run.at("/corrections/0/meter").asString(), "Fathom");
        does("CORRECT", "meterId", fathom.get("id").asString());
        assertEquals(run.get("corrections").size(), 0);
        assertEquals(
                run.at("/draft/output/value").asDouble(),
                125,
                0.5,
                run.get("draft").toString());
        assertEquals(run.at("/draft/cells/0/shown").asString(), "100", "as typed");
        assertTrue(
                run.get("notes").toString().contains("Fathom"), run.get("notes").toString());
    }
}
