package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Plans, profiles and high-voltage supplies over HTTP: kept, judged, read, in backups. */
public class SupplyApiTest extends ServerTest {
    private JsonNode paper(String name) {
        return StreamSupport.stream(get("/api/supply-records").json().spliterator(), false)
                .filter(one -> one.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow(() -> new AssertionError("no " + name));
    }

    private static ObjectNode body(JsonNode paper) {
        return (ObjectNode) paper.get("body");
    }

    private JsonNode judged(ObjectNode plan) {
        Reply reply = post("/api/supply/plan", plan.toString());
        assertEquals(reply.status(), 200, reply.text());
        return reply.json();
    }

    @Test
    public void theDemosPlanSaysTheLeadIsTooThinAndAThickerOneMendsIt() {
        ObjectNode plan = body(paper("Skerry Point, the shack"));
        JsonNode view = judged(plan);
        assertEquals(view.at("/verdict/title").asString(), "The lead is too thin");
        assertTrue(view.at("/line/2/watch").asBoolean(), view.get("line").toString());
        assertEquals(view.at("/strip/bands").size(), 4);
        assertEquals(view.at("/strip/bands/0/currentA").size(), 600);
        double thin = view.at("/stair/treads/5/volts").asDouble();
        ((ObjectNode) plan.get("lead")).put("areaM2", 16e-6);
        JsonNode mended = judged(plan);
        assertEquals(
                mended.at("/verdict/code").asString(),
                "CARRIES",
                mended.get("findings").toString());
        assertTrue(mended.at("/stair/treads/5/volts").asDouble() > thin + 0.5);
        assertTrue(view.at("/lead/0/figure").asString().contains("16 mm²"), "what it said to take is what mends it");
    }

    @Test
    public void aSupplyThatWasSeenToRiseIsToBeLeftAlone() {
        ObjectNode plan = body(paper("Skerry Point, the shack"));
        plan.set("supply", equipment("Bilge 30"));
        JsonNode view = judged(plan);
        assertEquals(view.at("/verdict/title").asString(), "Stop: the supply rises on transmit");
        Map<String, Object> begun = new LinkedHashMap<>();
        begun.put("name", "Begun anew");
        begun.put("set", "Halyard 100");
        begun.put("supply", "Bilge 30");
        begun.put("greatestW", 100);
        begun.put("keyed", List.of());
        assertEquals(post("/api/supply-records/profiles", begun).status(), 201);
        assertEquals(judged(plan).at("/verdict/code").asString(), "STOP", "a measuring only begun clears nothing");
        JsonNode run = post(
                        "/api/supply/profile",
                        body(paper("Halyard 100 on Bilge 30")).toString())
                .json();
        assertEquals(run.get("code").asString(), "STOP");
    }

    private JsonNode equipment(String name) {
        return StreamSupport.stream(get("/api/equipment").json().spliterator(), false)
                .filter(one -> one.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow()
                .get("body");
    }

    @Test
    public void aProfileIsMeasuredReadingByReadingAndEndsInOneThatAPlanTakes() {
        Map<String, Object> fresh = new LinkedHashMap<>();
        fresh.put("name", "Skiff 10 at 13.8 V");
        fresh.put("set", "Skiff 10");
        fresh.put("supply", "Capstan 25");
        fresh.put("greatestW", 10);
        fresh.put("keyed", List.of());
        JsonNode kept = post("/api/supply-records/profiles", fresh).json();
        String[][] typed = {
            {"", "0.4", "13.8"},
            {"0", "0.5", "13.8"},
            {"1", "1.1", "13.79"},
            {"2,5", "1.5 A", "13.78"},
            {"5", "1.9", "13.78"},
            {"10", "2.6", "13.77"}
        };
        for (int i = 0; i < typed.length; i++) {
            assertEquals(next(kept).get("code").asString(), i == 0 ? "LISTEN" : "KEY", "before reading " + i);
            Map<String, Object> reading = new LinkedHashMap<>();
            reading.put("keyed", i > 0);
            reading.put("output", typed[i][0]);
            reading.put("current", typed[i][1]);
            reading.put("voltage", typed[i][2]);
            Reply reply = post(
                    "/api/supply/profiles/" + kept.get("id").asString() + "/readings?revision="
                            + kept.get("revision").asInt(),
                    reading);
            assertEquals(reply.status(), 200, reply.text());
            kept = reply.json();
        }
        JsonNode view = next(kept);
        assertEquals(view.get("code").asString(), "ENOUGH");
        assertEquals(view.at("/box/profile/points").size(), 5);
        assertEquals(view.at("/rows/3/outputW").asDouble(), 2.5);
        assertTrue(view.get("law").asString().contains("10 W"), view.get("law").asString());
        JsonNode at =
                post("/api/supply/profile?atW=7", body(kept).toString()).json().get("at");
        assertEquals(at.get(0).get("note").asString(), "between what was read");
        assertEquals(at.size(), 3, "current, efficiency, heat: " + at);
        Reply beyond = post("/api/supply/profile?atW=-1", body(kept).toString());
        assertEquals(beyond.json().at("/problems/0/field").asString(), "atW");
        Reply file = get("/api/supply-records/" + kept.get("id").asString() + "/readings.csv");
        assertEquals(file.text().lines().count(), 7, file.text());
        JsonNode back = post("/api/supply-records/readings", Map.of("text", file.text()))
                .json();
        assertTrue(same(back.get("keyed"), kept.at("/body/keyed")), back.toString());
        // A file of before says standard uncertainties, in columns of another name.
        JsonNode before =
                post("/api/supply-records/readings", Map.of("text", """
                                keyed,outputW,outputUncertaintyW,currentA,currentUncertaintyA,voltageV,voltageUncertaintyV
                                yes,30,1,5,0.1,13.8,0.05
                                """)).json();
        assertEquals(before.at("/keyed/0/currentUncertaintyA").asDouble(), 0.1, 0);
    }

    private static boolean same(JsonNode some, JsonNode others) {
        boolean same = some.size() == others.size();
        for (int i = 0; same && i < some.size(); i++) {
            for (String name : some.get(i).propertyNames()) {
                double value = some.get(i).get(name).asDouble();
                same &= Math.abs(value - others.get(i).get(name).asDouble()) <= 1e-12 * Math.abs(value);
            }
        }
        return same;
    }

    private JsonNode next(JsonNode kept) {
        return post("/api/supply/profile", body(kept).toString()).json();
    }

    @Test
    public void whatIsNoReadingIsRefusedByItsFieldAndNothingIsKept() {
        JsonNode kept = paper("Halyard 100 at 13.8 V");
        Map<String, Object> reading = new LinkedHashMap<>();
        reading.put("keyed", true);
        reading.put("output", "ten");
        reading.put("current", "5");
        reading.put("voltage", "13.8");
        String path = "/api/supply/profiles/" + kept.get("id").asString() + "/readings?revision=";
        Reply reply = post(path + kept.get("revision").asInt(), reading);
        assertEquals(reply.status(), 422);
        assertEquals(reply.json().at("/problems/0/field").asString(), "output");
        assertEquals(paper("Halyard 100 at 13.8 V"), kept);
        reading.put("output", "30");
        assertEquals(post(path + 7, reading).status(), 409, "somebody else read meanwhile");
        Reply file = post("/api/supply-records/readings", Map.of("text", "keyed,outputW\nyes,3\n"));
        assertEquals(file.json().at("/problems/0/code").asString(), "NO_COLUMN");
        assertEquals(
                file.json().at("/problems/0/found").asString(),
                "outputU95W, currentA, currentU95A, voltageV, voltageU95V");
        Reply bad = post(
                "/api/supply-records/readings",
                Map.of(
                        "text",
                        "keyed,outputW,outputU95W,currentA,currentU95A,voltageV,voltageU95V\nmaybe,3,0,x,0,13,0\n"));
        assertEquals(bad.json().get("problems").size(), 2, bad.text());
    }

    @Test
    public void aPlanIsKeptByRevisionRefusedWholeAndComesThroughABackup() {
        JsonNode kept = paper("Skerry Point, the shack");
        ObjectNode plan = body(kept);
        ((ObjectNode) plan.get("lead")).put("lengthM", -1).put("areaM2", 1);
        String path = "/api/supply-records/plans/" + kept.get("id").asString() + "?revision=";
        Reply refused = put(path + kept.get("revision").asInt(), plan.toString());
        assertEquals(refused.status(), 422);
        assertEquals(refused.json().get("problems").size(), 2, refused.text());
        ((ObjectNode) plan.get("lead")).put("lengthM", 3).put("areaM2", 1e-5);
        assertEquals(put(path + kept.get("revision").asInt(), plan.toString()).status(), 200);
        assertEquals(put(path + kept.get("revision").asInt(), plan.toString()).status(), 409);
        Reply twice = post("/api/supply-records/plans", plan.toString());
        assertEquals(twice.json().at("/problems/0/code").asString(), "DUPLICATE");
        JsonNode before = get("/api/supply-records").json();
        String backup = get("/api/backup").text();
        assertEquals(
                call(request("/api/supply-records/" + kept.get("id").asString()).DELETE())
                        .status(),
                204);
        assertFalse(get("/api/supply-records").json().equals(before));
        assertEquals(post("/api/backup/restore?apply=true", backup).status(), 200);
        assertEquals(get("/api/supply-records").json(), before);
    }

    @Test
    public void aHighVoltageSupplyIsToldWithoutEverBeingCalledSafe() {
        ObjectNode supply = body(paper("Brigantine"));
        // 450 V parts do not stand the demo's supply with the line at the top of its tolerance.
        JsonNode high = post("/api/supply/high-voltage", supply.toString()).json();
        assertEquals(high.get("title").asString(), "One capacitor stands too high");
        assertTrue(high.toString().contains("463"), high.toString());
        ((ObjectNode) supply.get("bank")).put("eachRatedV", 500);
        Reply sound = post("/api/supply/high-voltage", supply.toString());
        assertEquals(sound.json().get("title").asString(), "Nothing here is beyond its rating");
        assertTrue(sound.json().at("/groups/1/facts/1/figure").asString().equals("never"), "one resistor open");
        assertFalse(sound.text().toLowerCase(java.util.Locale.ROOT).contains("safe"));
        ((ObjectNode) supply.get("bank")).put("eachRatedV", 350);
        JsonNode weak = post("/api/supply/high-voltage", supply.toString()).json();
        assertEquals(weak.get("title").asString(), "One capacitor stands too high");
    }

    @Test
    public void ownDutyIsToldFromTheAverageThatWasRead() {
        Map<String, Object> request = new LinkedHashMap<>();
        request.put(
                "profile",
                JSON.convertValue(body(paper("Skerry Point, the shack")).at("/boxes/0/profile"), Object.class));
        request.put("peakEnvelopeW", 50);
        request.put("averageA", "8,2");
        JsonNode view = post("/api/supply/duty", request).json();
        assertEquals(view.get("onShare").asDouble(), 0.5, 0.02);
        request.put("averageA", "much");
        assertEquals(
                post("/api/supply/duty", request).json().at("/problems/0/field").asString(), "averageA");
    }
}
