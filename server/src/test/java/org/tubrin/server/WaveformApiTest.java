package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A waveform check, typed: what a scope shows by eye and by its own file. */
public class WaveformApiTest extends ServerTest {
    private static final int SAMPLES = 4000;

    private Map<String, Object> look(String drive, String output) {
        Map<String, Object> start = start("MHZ_14", "14.2");
        start.put("amplifierId", equipmentId("Ketch 600"));
        start.put("meterIds", List.of(equipmentId("Spyglass"), equipmentId("Fathom")));
        start.put("school", "WAVEFORM");
        start.put("scope", Map.of("drive", drive, "output", output));
        return start;
    }

    /** Two beats of 1 kHz, clipped at a share of their peak. */
    private static String file(double clip) {
        StringBuilder text = new StringBuilder("time,CH1,CH2\n");
        for (int i = 0; i < SAMPLES; i++) {
            double t = 3e-3 * i / SAMPLES;
            double beat = Math.abs(Math.cos(Math.PI * 1000 * t + 0.4));
            double carrier = Math.sin(2 * Math.PI * 14.2003e6 * t);
            text.append(String.format(
                    Locale.ROOT, "%.7f,%.3f,%.3f%n", t, 200 * Math.min(clip, beat) * carrier, 30 * beat * carrier));
        }
        return text.toString();
    }

    private Reply brings(String text) {
        return post(
                "/api/runs/" + run.get("id").asString() + "/trace",
                Map.of(
                        "clientId",
                        UUID.randomUUID(),
                        "expectedSequence",
                        run.get("sequence").asLong(),
                        "text",
                        text));
    }

    private String move() {
        return run.get("advice").get("move").asString();
    }

    private void until(String... moves) throws InterruptedException {
        for (int i = 0; i < 80 && !List.of(moves).contains(move()); i++) {
            if (move().equals("REST")) {
                Thread.sleep(400);
                run = get("/api/runs/" + run.get("id").asString()).json();
            } else {
                does("FOLLOW");
            }
        }
    }

    private void looks(String volts, String watts) {
        does("KEY");
        does("READ", "role", "OUTPUT_VPP", "text", volts);
        does("READ", "role", "OUTPUT", "text", watts);
        does("UNKEY");
    }

    /** 12 W over 51.6 Ω are 70.4 V from peak to peak, 97 W are 200 V. */
    @Test
    public void fiveLooksWithVoltsToExpectAFileAndAFlatTop() throws InterruptedException {
        run = post("/api/runs", look("12", "97")).json();
        assertEquals(
                run.at("/preflight").toString().contains("rated for 200"),
                true,
                run.at("/preflight").toString());
        until("KEY_AND_READ");
        assertEquals(run.at("/advice/sentence").asString(), "Key and look: expect 70.4\u2009V peak to peak");
        looks("70.4", "12");
        until("KEY_AND_READ");
        looks("70.4", "6");
        assertEquals(move(), "TELL_SHAPE");
        does("WAVEFORM", "waveform", "CLEAN");
        until("KEY_AND_READ");
        assertEquals(run.at("/advice/sentence").asString(), "Key and look: expect 200\u2009V peak to peak");
        looks("200", "97");
        until("KEY_AND_READ");
        looks("200", "97");
        does("WAVEFORM", "waveform", "CLEAN");
        until("KEY_AND_READ");
        looks("200", "48");
        long before = run.get("sequence").asLong();
        Reply bad = brings("0.1,5\n0.2,x\n");
        assertEquals(bad.status(), 422, bad.text());
        assertEquals(bad.json().at("/problems/0/field").asString(), "trace.line.2");
        Reply few = brings("t;V\n0,1;5\n0,2;6\n");
        assertEquals(few.json().at("/problems/0/field").asString(), "trace.samples");
        assertEquals(few.json().at("/problems/0/found").asString(), "2");
        Reply taken = brings(file(0.7));
        assertEquals(taken.status(), 200, taken.text());
        run = taken.json();
        assertEquals(run.get("sequence").asLong(), before + 1, "what was refused left nothing");
        assertEquals(run.at("/scope/shows/trace/lowV").size(), 200);
        assertEquals(run.at("/scope/shows/straightV").asDouble(), 200, 8, "unclipped, 30 V in would bring 200 V");
        until("FINISHED", "DONE");
        assertEquals(run.get("phase").asString(), "FINISHED");
        JsonNode last = run.at("/scope/looks/4");
        assertFalse(last.get("clean").asBoolean());
        assertTrue(
                last.at("/found/0").asString().startsWith("Envelope: flat tops. Third-order products 1"),
                last.toString());
        assertTrue(last.at("/found/1").asString().contains("bent in at the wide end"), last.toString());
        assertTrue(
                run.at("/scope/says/0").asString().startsWith("Not clean"),
                run.at("/scope").toString());
        assertTrue(
                run.at("/scope/says").toString().contains("less drive"),
                run.at("/scope/says").toString());
        assertFalse(run.at("/scope/says").toString().contains("PLATE"), "Ketch has no dials");
        JsonNode page = get("/api/drive/waveform").json();
        assertEquals(page.at("/rows/0/came").asString(), "not clean");
        assertEquals(page.at("/shown/shows/trace/highV").size(), 200);
        assertTrue(get("/api/runs/" + run.get("id").asString() + "/steps.csv")
                .text()
                .contains("look"));
    }

    /** 250 V where 170 V belong to the 70 W beside them are 151 W: beyond what a scope and a wattmeter leave open. */
    @Test
    public void voltsAndWattmeterThatDisagreeAreSaidAndLookedAtAgain() throws InterruptedException {
        Map<String, Object> brigantine = look("70", "900");
        brigantine.put("amplifierId", equipmentId("Brigantine"));
        run = post("/api/runs", brigantine).json();
        until("KEY_AND_READ");
        looks("250", "70");
        until("KEY_AND_READ");
        assertTrue(
                run.at("/advice/why").asString().startsWith("Volts and wattmeter disagree"),
                run.at("/advice").toString());
        assertTrue(run.at("/scope/looks/0/apart").asBoolean());
        assertTrue(
                run.at("/scope/says/0").asString().startsWith("The volts tell 151"),
                run.at("/scope/says").toString());
    }

    @Test
    public void badInputIsNamed() {
        Reply refused = post("/api/runs", look("0", "97"));
        assertEquals(refused.status(), 422);
        assertEquals(refused.json().at("/problems/0/field").asString(), "scope.drive");
        Reply tooMuch = post("/api/runs", look("60", "97"));
        assertEquals(tooMuch.json().at("/problems/0/field").asString(), "scope.drive");
        assertTrue(tooMuch.text().contains("1 to 14 W"), "what Ketch takes: " + tooMuch.text());
        assertEquals(
                post("/api/runs", look("12", "4000"))
                        .json()
                        .at("/problems/0/field")
                        .asString(),
                "scope.output");
        Map<String, Object> without = look("12", "97");
        without.remove("scope");
        assertEquals(post("/api/runs", without).status(), 422);
        run = post("/api/runs", look("12", "97")).json();
        Reply tooLarge = brings("1,2\n".repeat(1_100_000));
        assertEquals(tooLarge.status(), 413, tooLarge.text());
    }
}
