package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Map;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

public class CardApiTest extends ServerTest {
    private JsonNode dials(String band, String frequency, String into) {
        Reply reply = post(
                "/api/cards/dials",
                Map.of(
                        "amplifierId",
                        equipmentId("Brigantine"),
                        "terminationId",
                        equipmentId(into),
                        "band",
                        band,
                        "frequency",
                        frequency));
        assertEquals(reply.status(), 200, reply.text());
        return reply.json();
    }

    @Test
    public void aCardGoesOutAsAFileAndComesBackWithoutDoubling() {
        String file = get("/api/cards.csv").text();
        int rows = get("/api/cards").json().size();
        JsonNode again = post("/api/cards/import", Map.of("text", file)).json();
        assertEquals(again.get("kept").asInt(), 0, "all rows are there already");
        String moved = file.replace("Brigantine", "Cutter").replace("2026-", "2025-");
        JsonNode brought = post("/api/cards/import", Map.of("text", moved)).json();
        assertEquals(brought.get("kept").asInt(), rows);
        JsonNode cards = get("/api/cards").json();
        assertEquals(cards.size(), 2 * rows);
        JsonNode row = cards.get(rows);
        assertEquals(row.get("amplifier").asString(), "Cutter");
        assertTrue(row.get("runId") == null || row.get("runId").isNull(), "no run of its own");
        assertEquals(row.get("plate").asString(), cards.get(0).get("plate").asString());
        assertEquals(row.get("outputW").asString(), cards.get(0).get("outputW").asString());
    }

    @Test
    public void rowsFromAFileOutliveABackup() {
        String file = get("/api/cards.csv").text().replace("Brigantine", "Cutter");
        post("/api/cards/import", Map.of("text", file));
        String backup = get("/api/backup").text();
        beginWithTheDemo();
        assertEquals(post("/api/backup/restore?apply=true", backup).status(), 200);
        assertTrue(get("/api/cards").text().contains("Cutter"));
    }

    @Test
    public void aSpoiltCardRowInABackupIsRefusedAndNothingIsReplaced() {
        post("/api/cards/import", Map.of("text", get("/api/cards.csv").text().replace("Brigantine", "Cutter")));
        String backup = get("/api/backup").text();
        for (String[] spoilt : new String[][] {
            {"\\\"carrier\\\": \\\"CW\\\"", "\\\"carrier\\\": \\\"Morse\\\""}, {"\\\"load\\\":", "\\\"lode\\\":"}
        }) {
            assertTrue(backup.contains(spoilt[0]), spoilt[0]);
            Reply refused = post("/api/backup/restore?apply=true", backup.replace(spoilt[0], spoilt[1]));
            assertEquals(refused.status(), 422, refused.text());
        }
        assertEquals(get("/api/cards").json().size(), 12);
    }

    @Test
    public void aBrokenFileIsRefusedWholeWithRowAndColumn() {
        String file = get("/api/cards.csv").text();
        String first = file.split("\r\n", -1)[1];
        String broken = file.replace(first, first.replace("MHZ_3_5", "80 m").replace(",885.0,", ",much,"));
        Reply reply = post("/api/cards/import", Map.of("text", broken));
        assertEquals(reply.status(), 422, reply.text());
        assertTrue(reply.text().contains("row 2, band") && reply.text().contains("row 2, outputW"), reply.text());
        Reply headless = post("/api/cards/import", Map.of("text", "a,b\n1,2\n"));
        assertTrue(headless.text().contains("plateMark"), headless.text());
        assertEquals(get("/api/cards").json().size(), 6);
    }

    @Test
    public void dialsAheadAreThoseOfTheRowAtItsPlaceAndMoveAwayFromIt() {
        JsonNode there = dials("MHZ_7", "7.1", "Ballast 1000");
        assertTrue(there.get("plate").asString().startsWith("5.09"), there.toString());
        JsonNode away = dials("MHZ_7", "7.19", "Yardarm");
        assertTrue(!away.get("plate").asString().equals(there.get("plate").asString()), away.toString());
        assertTrue(away.get("reach").asString().contains("7.200"), away.toString());
        Reply beyond = post(
                "/api/cards/dials",
                Map.of(
                        "amplifierId",
                        equipmentId("Brigantine"),
                        "terminationId",
                        equipmentId("Yardarm"),
                        "band",
                        "MHZ_7",
                        "frequency",
                        "14.2"));
        assertEquals(beyond.status(), 422);
        assertTrue(beyond.text().contains("7.2"), beyond.text());
    }

    @Test
    public void aRunElsewhereInTheBandStartsFromDialsAhead() {
        JsonNode run = post("/api/runs", start("MHZ_14", "14.05")).json();
        for (JsonNode point : run.get("preflight")) {
            run = post(
                            "/api/runs/" + run.get("id").asString() + "/acts",
                            act(
                                    run.get("sequence").asLong(),
                                    "CHECK",
                                    "check",
                                    point.get("code").asString()))
                    .json();
        }
        run = post(
                        "/api/runs/" + run.get("id").asString() + "/acts",
                        act(run.get("sequence").asLong(), "WARM", "text", "10"))
                .json();
        assertEquals(
                run.get("advice").get("move").asString(),
                "SET_DIALS",
                run.get("advice").toString());
        assertTrue(run.get("advice").get("why").asString().startsWith("Not tuned here before"), run.toString());
    }

    private JsonNode preview(String use) {
        Map<String, Object> request = start("MHZ_7", "7.1");
        request.put("use", use);
        Reply reply = post("/api/runs/preview", request);
        assertEquals(reply.status(), 200, reply.text());
        return reply.json();
    }

    /** Returns the beginning of an instant so many days ago. */
    private static String daysAgo(int days) {
        return LocalDate.now(ZoneOffset.UTC).minusDays(days) + "T";
    }

    @Test
    public void dialsForALongCarrierAreARowOfTheirOwnAndTheNextRunForOneStartsThere() {
        JsonNode speech = preview("SPEECH_AND_CW");
        assertEquals(speech.get("dials").get("load").asString(), "5");
        assertTrue(speech.get("wantedW") == null, speech.toString());
        assertEquals(
                preview("LONG_CARRIER").get("wantedW").asDouble(), 435, "half of what amplifier and licence allow");
        String file = get("/api/cards.csv").text();
        String header = file.split("\r\n", -1)[0];
        String row =
                file.lines().filter(line -> line.contains("MHZ_7")).findFirst().orElseThrow();
        String carrier =
                row.replace("SPEECH_AND_CW,false,", "LONG_CARRIER,true,").replace(",5.0,", ",3.2,");
        assertTrue(!carrier.equals(row) && carrier.contains(",3.2,"), row);
        String later = carrier.replaceAll("\\d{4}-\\d\\d-\\d\\dT", daysAgo(1));
        Reply brought = post("/api/cards/import", Map.of("text", header + "\r\n" + later + "\r\n"));
        assertEquals(brought.json().get("kept").asInt(), 1, brought.text());
        JsonNode cards = get("/api/cards").json();
        assertEquals(cards.size(), 6, "not the newest of the line for speech");
        JsonNode line = null;
        for (JsonNode one : cards) {
            line = one.get("use").asString().equals("LONG_CARRIER") ? one : line;
        }
        assertEquals(line.get("useName").asString(), "Long carrier");
        assertTrue(line.get("pulsed").asBoolean(), line.toString());
        assertEquals(line.get("times").asInt(), 2, "with the demo's own");
        assertEquals(preview("LONG_CARRIER").get("dials").get("load").asString(), "3.2");
        assertEquals(preview("SPEECH_AND_CW").get("dials"), speech.get("dials"));
        assertTrue(
                get("/api/cards.csv").text().lines().anyMatch(out -> out.contains("LONG_CARRIER,true,")),
                "it goes out as it came in");
        JsonNode ended = null;
        for (JsonNode one : cards) {
            boolean isSpeech = one.get("band").asString().equals("MHZ_7")
                    && one.get("use").asString().equals("SPEECH_AND_CW");
            ended = isSpeech ? get("/api/runs/" + one.get("runId").asString()).json() : ended;
        }
        String onAir = ended.get("onAir").toString();
        assertTrue(onAir.contains("the card has dials for that: PLATE 5.09, LOAD 3.2"), onAir);
        assertTrue(!onAir.contains("Climb once for a long carrier"), "said once: " + onAir);
        // Files of before there was a choice are of speech and CW.
        String before = header.replace("use,pulsed,", "") + "\r\n"
                + row.replace("SPEECH_AND_CW,false,", "").replaceAll("\\d{4}-\\d\\d-\\d\\dT", daysAgo(2)) + "\r\n";
        assertEquals(
                post("/api/cards/import", Map.of("text", before))
                        .json()
                        .get("kept")
                        .asInt(),
                1);
        assertEquals(get("/api/cards").json().size(), 6);
    }

    @Test
    public void aLongCarrierIsRefusedByASchoolThatLeavesLoadAndBeyondTheRating() {
        Map<String, Object> request = start("MHZ_7", "7.1");
        request.put("use", "LONG_CARRIER");
        request.put("school", "MAKERS_CHART");
        Reply school = post("/api/runs", request);
        assertEquals(school.status(), 422, school.text());
        assertTrue(
                school.text().contains("Peak, then heavier") && !school.text().contains("Grid target"), school.text());
        request.put("school", "DRIVE_TABLE");
        Reply table = post("/api/runs", request);
        assertEquals(table.status(), 422, table.text());
        assertTrue(table.text().contains("\"use\"") && table.text().contains("no PLATE and LOAD"), table.text());
        request.put("school", "PEAK_THEN_HEAVIER");
        request.put("wantedOutput", "5000");
        Reply much = post("/api/runs", request);
        assertEquals(much.status(), 422, much.text());
        assertTrue(much.text().contains("\"wantedOutput\"") && much.text().contains("870"), much.text());
        request.put("wantedOutput", "300");
        run = post("/api/runs", request).json();
        assertTrue(
                run.get("subtitle").asString().contains("for a long carrier of 300"),
                run.get("subtitle").asString());
        assertEquals(run.get("maySwitchTo").size(), 1, "no pulses without a meter that holds them");
        assertEquals(run.get("onAir").size(), 0, "what to mind on the air is for its end");
        does("ABANDON", "text", "enough");
    }

    @Test
    public void anAntennasRunIsMatchedInBypassBeforeTheAmplifierComesIn() {
        Map<String, Object> request = start("MHZ_7", "7.1");
        request.put("terminationId", equipmentId("Yardarm"));
        JsonNode run = post("/api/runs", request).json();
        String points = run.get("preflight").toString();
        int bypass = points.indexOf("BYPASS_LOW_POWER");
        int matched = points.indexOf("MATCHED_IN_BYPASS");
        int down = points.indexOf("DRIVE_DOWN_FIRST");
        assertTrue(0 < bypass && bypass < matched && matched < down, points);
        assertTrue(points.contains("exciter at 15 W") && points.contains("down to 4.4 W"), points);
    }

    @Test
    public void aTouchstoneFileIsReadAndABrokenOneNamesItsLine() {
        JsonNode points = post("/api/touchstone", Map.of("text", "# MHz S RI R 50\n7 0 0\n7.1 0.2 0\n"))
                .json();
        assertEquals(points.get(1).get("ohm").asDouble(), 75, 1e-9);
        assertEquals(points.get(1).get("swr").asDouble(), 1.5, 1e-9);
        Reply broken = post("/api/touchstone", Map.of("text", "# MHz S RI R 50\n7 0 0\n7.1 x 0\n"));
        assertEquals(broken.status(), 422);
        assertTrue(broken.text().contains("line 3"), broken.text());
        JsonNode kept =
                get("/api/equipment/" + equipmentId("Yardarm") + "/impedance").json();
        assertEquals(kept.size(), 41);
    }

    @Test
    public void aModeSwitchIsChosenAtTheStartAndStandsInTheRecord() {
        Map<String, Object> request = start("MHZ_7", "7.1");
        request.put("amplifierId", equipmentId("Coracle"));
        request.put("meterIds", java.util.List.of(equipmentId("Fathom"), equipmentId("Coracle panel")));
        request.put("switchPosition", "CW");
        JsonNode run = post("/api/runs", request).json();
        String event = database.queryForObject(
                "select body::text from run_event where run_id = ?::uuid and sequence = 1",
                String.class,
                run.get("id").asString());
        assertTrue(event.contains("\"at\": \"CW\"") && event.contains("\"plateVoltageRestDcV\": 1480"), event);
        request.put("runId", java.util.UUID.randomUUID().toString());
        request.put("switchPosition", "AM");
        Reply refused = post("/api/runs", request);
        assertEquals(refused.status(), 422);
        assertTrue(refused.text().contains("SSB"), refused.text());
    }
}
