package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.time.Instant;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.DefaultApplicationArguments;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

public class TrendApiTest extends ServerTest {
    @Autowired
    @Qualifier("figuresAtStart")
    private ApplicationRunner figuresAtStart;

    private JsonNode series(String code) {
        JsonNode all = get("/api/trends?amplifier=Brigantine&band=MHZ_14&termination=Ballast%201000")
                .json()
                .get("series");
        for (JsonNode one : all) {
            if (one.get("code").asString().equals(code)) {
                return one;
            }
        }
        throw new AssertionError("no " + code + " in " + all);
    }

    private static long daysAgo(JsonNode moment) {
        return Duration.between(Instant.parse(moment.asString()), Instant.now()).toDays();
    }

    @Test
    public void theDemosSofteningTubeIsFound() {
        JsonNode plate = series("PLATE_AT_DRIVE");
        assertEquals(plate.get("changes").size(), 1, plate.toString());
        JsonNode change = plate.get("changes").get(0);
        assertEquals(change.get("kind").asString(), "DRIFT", plate.toString());
        long after = daysAgo(change.get("after"));
        assertTrue(after >= 38 && after <= 66, "it began 52 days ago, found after " + after);
        assertTrue(change.get("says").asString().contains("down"), change.toString());
    }

    @Test
    public void theDemosKnockedMeterIsFoundAndToldFromTheTube() {
        JsonNode share = series("OUTPUT_TO_INPUT");
        boolean step = false;
        for (JsonNode change : share.get("changes")) {
            step |= change.get("kind").asString().equals("STEP")
                    && daysAgo(change.get("before")) <= 20
                    && daysAgo(change.get("after")) >= 20;
        }
        assertTrue(step, share.toString());
        assertTrue(share.get("look").asString().contains("reference"), share.toString());
    }

    @Test
    public void theDemosOverheatedLoadIsFoundByItsStandingWave() {
        JsonNode swr = series("LOAD_SWR_HOT");
        JsonNode change = swr.get("changes").get(0);
        assertEquals(change.get("kind").asString(), "STEP", swr.toString());
        assertTrue(daysAgo(change.get("before")) <= 36 && daysAgo(change.get("after")) >= 36, swr.toString());
    }

    @Test
    public void twoRunsStandBesideEachOtherStepByStep() {
        String newest = null;
        String oldest = null;
        for (JsonNode run : runs()) {
            if (run.get("band").asString().equals("MHZ_14")) {
                newest = newest == null ? run.get("id").asString() : newest;
                oldest = run.get("id").asString();
            }
        }
        JsonNode both =
                get("/api/runs/compare?first=" + oldest + "&second=" + newest).json();
        assertEquals(both.get("pairs").size(), 5, "five drives");
        JsonNode full = both.get("pairs").get(4);
        JsonNode plate = full.get("rows").get(1);
        assertTrue(plate.get("label").asString().startsWith("Plate current"), full.toString());
        assertTrue(plate.get("difference").asString().startsWith("\u2212"), full.toString());
        assertTrue(plate.get("beyond").asBoolean(), full.toString());
        JsonNode same =
                get("/api/runs/compare?first=" + oldest + "&second=" + oldest).json();
        assertTrue(!same.toString().contains("\"beyond\":true"), same.toString());
        assertTrue(same.path("unlike").isNull() || same.path("unlike").isMissingNode(), "of one place: " + same);
        for (JsonNode run : runs()) {
            if (run.get("band").asString().equals("MHZ_28")) {
                String another = run.get("id").asString();
                String unlike = get("/api/runs/compare?first=" + oldest + "&second=" + another)
                        .json()
                        .get("unlike")
                        .asString();
                assertTrue(unlike.startsWith("Not made alike: another amplifier, band"), unlike);
                return;
            }
        }
        throw new AssertionError("no run on 28 MHz");
    }

    @Test
    public void conditionsAreNotedAndStandInTheLog() {
        JsonNode run = post("/api/runs", start("MHZ_7", "7.1")).json();
        String acts = "/api/runs/" + run.get("id").asString() + "/acts";
        java.util.Map<String, Object> act = act(run.get("sequence").asLong(), "CONDITIONS");
        act.put("conditions", java.util.Map.of("lineVoltage", "228", "resting", "0.118"));
        run = post(acts, act).json();
        assertTrue(
                run.get("conditions").asString().startsWith("line 228 V"),
                run.get("conditions").toString());
        JsonNode first = runs().get(0);
        assertEquals(first.get("lineVoltageV").asDouble(), 228.0);
        assertEquals(first.get("schoolName").asString(), "Peak, then heavier");
        act = act(run.get("sequence").asLong(), "CONDITIONS");
        act.put("conditions", java.util.Map.of("lineVoltage", "12"));
        Reply refused = post(acts, act);
        assertEquals(refused.status(), 422);
        assertTrue(refused.text().contains("lineVoltageV"), refused.text());
    }

    @Test
    public void figuresOfRunsThatWereKeptWithoutThemAreReckonedOnceMore() throws Exception {
        String trends = "/api/trends?amplifier=Brigantine&band=MHZ_14&termination=Ballast%201000";
        String before = get(trends).text();
        assertTrue(before.contains("PLATE_AT_DRIVE"), before);
        database.update("delete from run_figures");
        database.update("update run_change set changes = changes + 1");
        assertEquals(get(trends).json().get("series").size(), 0);
        figuresAtStart.run(new DefaultApplicationArguments());
        assertEquals(get(trends).text(), before);
    }

    @Test
    public void aRunThatIsAddedIsInTheTrendAtOnce() {
        JsonNode series = series("SAG");
        int before = series.get("runs").asInt();
        Instant at = Instant.parse(series.get("points").get(0).get("at").asString());
        String id = database.queryForObject(
                "select run_id from run_figures where amplifier = 'Brigantine' and band = 'MHZ_14'"
                        + " and termination = 'Ballast 1000' and at = ?",
                String.class,
                java.sql.Timestamp.from(at));
        JsonNode backup = JSON.readTree(get("/api/backup").text());
        for (JsonNode run : backup.get("runs")) {
            if (run.get("id").asString().equals(id)) {
                ((tools.jackson.databind.node.ArrayNode) backup.get("runs"))
                        .add(JSON.readTree(run.toString()
                                .replace(id, java.util.UUID.randomUUID().toString())));
                break;
            }
        }
        assertEquals(post("/api/backup/restore?apply=true", backup.toString()).status(), 200);
        assertEquals(series("SAG").get("runs").asInt(), before + 1);
    }
}
