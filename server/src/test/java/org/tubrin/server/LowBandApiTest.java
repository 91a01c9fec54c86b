package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** The lowest bands, typed: an antenna watched by volts and amperes, an amplifier brought up by its supply. */
public class LowBandApiTest extends ServerTest {
    private Map<String, Object> watch(String agreesAt) {
        Map<String, Object> start = start("KHZ_472", "0.4755");
        start.put("amplifierId", equipmentId("Lugger 300"));
        start.put("meterIds", List.of(equipmentId("Twin vanes")));
        start.put("terminationId", equipmentId("Mizzen"));
        start.put("school", "RESONANCE");
        start.put("resonance", Map.of("witness", "VOLTS_OVER_AMPERES", "agreesAt", agreesAt));
        return start;
    }

    private Map<String, Object> table(int modules, String wanted) {
        Map<String, Object> start = start("KHZ_472", "0.4755");
        start.put("amplifierId", equipmentId("Lugger 300"));
        start.put("meterIds", List.of(equipmentId("Lugger 300 panel")));
        start.put("school", "SUPPLY_TABLE");
        start.put("modules", modules);
        start.put("wantedOutput", wanted);
        return start;
    }

    private String move() {
        return run.get("advice").get("move").asString();
    }

    private void until(String... moves) throws InterruptedException {
        for (int i = 0; i < 120 && !List.of(moves).contains(move()); i++) {
            if (move().equals("REST")) {
                Thread.sleep(400);
                run = get("/api/runs/" + run.get("id").asString()).json();
            } else {
                does("FOLLOW");
            }
        }
        assertTrue(List.of(moves).contains(move()), run.at("/advice").toString());
    }

    /** 50 Ω agree; at four steps the least, where 53.5 Ω are left. */
    private void reads(int motor) {
        double ohm = 50.5 * Math.hypot(1, 0.16 * (motor - 4));
        does("READ", "role", "LINE_VOLTAGE", "text", String.format(Locale.ROOT, "%.1f", 2 * ohm));
        does("READ", "role", "LINE_CURRENT", "text", "2.000");
    }

    @Test
    public void anAntennaIsWatchedByVoltsAndAmperesAndItsDayKept() throws InterruptedException {
        run = post("/api/runs", watch("50")).json();
        assertEquals(run.get("kind").asString(), "RESONANCE", run.toString());
        assertTrue(
                run.at("/preflight").toString().contains("touch antenna"),
                run.at("/preflight").toString());
        until("KEY_AND_READ");
        assertTrue(run.at("/advice/cautions").toString().contains("thousands of volts"));
        does("KEY");
        does("WEATHER", "weather", "RAIN");
        for (int i = 0; i < 60 && !move().equals("LEAVE_ALONE"); i++) {
            if (move().equals("READ_OFF")) {
                reads(run.at("/resonance/motor").asInt());
            } else {
                does("FOLLOW");
            }
        }
        assertEquals(move(), "LEAVE_ALONE");
        assertEquals(
                run.at("/resonance/motor").asInt(),
                4,
                1.01,
                run.at("/resonance").toString());
        assertEquals(run.at("/resonance/weather/0/name").asString(), "rain");
        assertFalse(run.at("/resonance/alarmed").asBoolean());
        assertEquals(run.at("/resonance/unit").asString(), "%");
        does("UNKEY");
        assertTrue(run.at("/advice/sentence").asString().startsWith("In tune. Look again in"));
        does("FINISH");
        assertEquals(run.get("phase").asString(), "FINISHED");
        JsonNode page = get("/api/drive/resonance").json();
        assertEquals(page.at("/rows/0/antenna").asString(), "Mizzen");
        assertEquals(page.at("/rows/0/came").asString(), "in tune");
        String csv = get("/api/runs/" + run.get("id").asString() + "/steps.csv").text();
        assertTrue(csv.startsWith("step,kind") && csv.contains("motorSteps") && csv.contains("readAt"), csv);
    }

    @Test
    public void powerBySupplyVoltsToAWantedOutput() throws InterruptedException {
        run = post("/api/runs", table(2, "60")).json();
        until("KEY_AND_READ");
        assertEquals(run.at("/draft/supply").asString(), "12");
        for (int i = 0; i < 8 && move().equals("KEY_AND_READ"); i++) {
            double volts = Double.parseDouble(run.at("/draft/supply").asString());
            double watt = 130 * Math.pow(volts / 48, 2);
            does("KEY");
            does("READ", "role", "OUTPUT", "text", String.format(Locale.ROOT, "%.1f", watt));
            does("READ", "role", "SUPPLY_VOLTAGE", "text", String.format(Locale.ROOT, "%.2f", volts));
            does("READ", "role", "SUPPLY_CURRENT", "text", String.format(Locale.ROOT, "%.2f", watt / volts / 0.9));
            does("READ", "role", "HEAT_SINK", "text", "70");
            does("UNKEY");
            until("KEY_AND_READ", "WRITE_DOWN");
        }
        assertEquals(move(), "WRITE_DOWN", run.at("/advice").toString());
        int rows = run.at("/volts/rows").size();
        // 12 V bring 8 W; 17 and 24 V twice and four times that; then 60 W.
        assertEquals(rows, 4, run.at("/volts/rows").toString());
        assertEquals(run.at("/volts/rows/3/watt").asDouble(), 60, 2);
        assertTrue(run.at("/volts/rows/0/hotter").asBoolean(), "70 °C over a watt of heat");
        assertTrue(run.at("/volts/says").toString().contains("hotter than its heat explains"));
        assertTrue(
                run.at("/volts/says/0").asString().contains(" at 32.6"),
                run.at("/volts/says").toString());
        assertEquals(run.at("/draft/modules").asString(), "2");
        does("FOLLOW");
        assertEquals(run.get("phase").asString(), "FINISHED");
        assertEquals(get("/api/drive/volts").json().at("/rows/0/came").asString(), "the wanted output");
    }

    @Test
    public void badInputIsNamed() {
        assertEquals(problem(watch("0")), "resonance.agreesAt");
        assertEquals(problem(table(4, "60")), "modules");
        assertEquals(problem(table(3, "x")), "wantedOutput");
        Map<String, Object> load = watch("50");
        load.put("terminationId", equipmentId("Ballast 1000"));
        assertEquals(problem(load), "termination");
        Map<String, Object> small = table(3, "60");
        small.put("padId", equipmentId("Fender 16"));
        assertEquals(problem(small), "", "a pad that leaves 2 W is fine");
        Map<String, Object> meter = watch("50");
        meter.put("meterIds", List.of(equipmentId("Fathom")));
        assertEquals(problem(meter), "meters");
        Map<String, Object> none = watch("50");
        none.remove("resonance");
        assertEquals(problem(none), "practice.resonance");
    }

    private String problem(Map<String, Object> start) {
        return post("/api/runs", start).json().at("/problems/0/field").asString("");
    }
}
