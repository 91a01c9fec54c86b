package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A matcher tuned by typed readings, and what is refused before it begins. */
public class MatcherApiTest extends ServerTest {
    private static final int MOST_MOVES = 80;

    private Map<String, Object> start() {
        Map<String, Object> start = start("MHZ_7", "7.19");
        start.put("amplifierId", equipmentId("Dinghy 60"));
        start.put("exciterId", equipmentId("Skiff 10"));
        start.put("terminationId", equipmentId("Yardarm"));
        start.put("meterIds", List.of(equipmentId("Leadline"), equipmentId("Shoal 80")));
        start.put("school", "MATCHER");
        return start;
    }

    private void reads(String in, String out, String swr) {
        does("READ", "role", "INPUT_POWER", "text", in);
        does("READ", "role", "OUTPUT", "text", out);
        does("READ", "role", "INPUT_SWR", "text", swr);
    }

    /** Follows the next move; the power amplifier amplifies while it is on, whatever was answered. */
    private void tunes(boolean leftOn) throws InterruptedException {
        boolean isOn = leftOn;
        boolean inLine = false;
        for (int i = 0; i < MOST_MOVES && !run.get("phase").asString().equals("FINISHED"); i++) {
            String sentence = run.get("advice").get("sentence").asString();
            if (sentence.equals("Switch the power amplifier off")) {
                isOn = false;
            } else if (sentence.equals("Now switch the power amplifier on")) {
                isOn = true;
            } else if (sentence.equals("Matcher in line")) {
                inLine = true;
            }
            switch (run.get("advice").get("move").asString()) {
                case "KEY_AND_READ" -> {
                    double driveW = run.get("draft").get("driveW").asDouble();
                    does("KEY");
                    reads(
                            Double.toString(driveW),
                            String.format(Locale.ROOT, "%.2f", driveW * (isOn ? 16 : 0.93)),
                            isOn ? "1.2" : inLine ? "1.3" : "2.2");
                    does("UNKEY");
                }
                case "REST" -> {
                    Thread.sleep(500);
                    run = get("/api/runs/" + run.get("id").asString()).json();
                }
                default -> does("FOLLOW");
            }
        }
        assertEquals(run.get("phase").asString(), "FINISHED", run.get("advice").toString());
    }

    @Test
    public void oneThatWasLeftOnIsToldByItsReadingsAndKept() throws InterruptedException {
        Reply begun = post("/api/runs", start());
        assertEquals(begun.status(), 201, begun.text());
        run = begun.json();
        assertEquals(run.get("kind").asString(), "MATCHER");
        tunes(true);
        assertEquals(run.get("steps").size(), 4, "one that was refused, then the three of the order");
        JsonNode order = run.get("match").get("order");
        assertEquals(order.size(), 3);
        for (JsonNode node : order) {
            assertEquals(node.get("stands").asString(), "DONE", node.toString());
        }
        assertEquals(run.get("match").get("input").asString(), "FINE");
        assertEquals(run.get("guard").size(), 0);
        JsonNode page = get("/api/drive/matcher").json();
        assertEquals(page.get("shownRunId").asString(), run.get("id").asString(), "the newest is shown");
        assertEquals(page.get("rows").get(0).get("came").asString(), "matched");
        assertTrue(
                page.get("byHand").toString().contains("until the SWR is 1.5 or less"),
                page.get("byHand").toString());
        String bands = page.get("bands").toString();
        assertTrue(bands.contains("\"MHZ_7\"") && bands.contains("1.30"), bands);
        String csv = get("/api/runs/" + run.get("id").asString() + "/steps.csv").text();
        assertTrue(csv.contains("powerAmplifierOn,matcherInLine"), csv);
        assertFalse(get("/api/cards").text().contains(run.get("id").asString()), "no dials, no card");
    }

    @DataProvider
    public Object[][] refused() {
        return new Object[][] {
            {"amplifierId", "Ketch 600", "NEEDS_MATCHER"},
            {"padId", "Fender 16", "SHORT_OF_MATCHER"},
            {"terminationId", "Fathom", "UNKNOWN_NAME"},
        };
    }

    @Test(dataProvider = "refused")
    public void whatCannotBeDoneIsRefused(String field, String name, String code) {
        Map<String, Object> start = start();
        start.put(field, equipmentId(name));
        Reply reply = post("/api/runs", start);
        assertEquals(reply.status(), 422, reply.text());
        assertTrue(reply.text().contains(code), reply.text());
    }

    /** The demo's matcher reaches a known load; its power amplifier was left on once. */
    @Test
    public void theDemoTellsOfBoth() {
        String rows = get("/api/drive/matcher").json().get("rows").toString();
        assertTrue(rows.contains("known load matched") && rows.contains("Yardarm"), rows);
    }
}
