package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

public class MeterApiTest extends ServerTest {
    private Map<String, Object> comparison(boolean keep, double... truth) {
        Map<String, Object> request = new LinkedHashMap<>();
        request.put("reference", "Ballast by heat");
        request.put("referencePercent", "2");
        request.put(
                "meters",
                List.of(Map.of("meterId", equipmentId("Fathom"), "range", "1.5 kW", "indication", "AVERAGE")));
        List<Object> points = new ArrayList<>();
        for (double watts : truth) {
            points.add(Map.of(
                    "reference", Double.toString(watts), "readings", List.of(Long.toString(Math.round(watts * 0.94)))));
        }
        request.put("points", points);
        request.put("keep", keep);
        return request;
    }

    @Test
    public void aKnockedMeterIsFoundAndItsReadingsAreSetRightFromThenOn() {
        JsonNode found = post("/api/meters/compare", comparison(false, 100, 200, 400, 800))
                .json();
        assertTrue(found.get("found").get(0).get("says").asString().startsWith("reads 6"), found.toString());
        assertEquals(get("/api/meters/ranges").text().contains("compared\":\"2"), false, "not kept yet");
        assertTrue(post("/api/meters/compare", comparison(true, 100, 200, 400, 800))
                .json()
                .get("kept")
                .asBoolean());
        JsonNode belief = get("/api/meters/belief").json();
        JsonNode high = null;
        for (JsonNode one : belief) {
            if (one.get("value").asString().startsWith("900")) {
                high = one;
            }
        }
        assertTrue(
                high != null
                        && high.get("ranked").get(0).get("meter").asString().equals("Fathom"),
                belief.toString());
        assertTrue(high.get("ranked").get(0).get("compared").asString().contains("Ballast by heat"), high.toString());
        // A run that begins now sees 885 W where the meter shows 832.
        JsonNode run = post("/api/runs", start("MHZ_7", "7.1")).json();
        String acts = "/api/runs/" + run.get("id").asString() + "/acts";
        run = post(acts, act(run.get("sequence").asLong(), "RANGE", "role", "OUTPUT", "text", "1.5 kW"))
                .json();
        run = post(acts, act(run.get("sequence").asLong(), "READ", "role", "OUTPUT", "text", "832"))
                .json();
        assertEquals(run.get("draft").get("output").get("value").asDouble(), 885, 4);
        JsonNode cell = run.get("draft").get("cells").get(0);
        assertEquals(cell.get("shown").asString(), "832", "what was read stays");
        assertEquals(cell.get("corrected").asString(), "885");
    }

    @Test
    public void tooFewPointsOrABrokenOneAreRefusedByName() {
        Reply few = post("/api/meters/compare", comparison(false, 100, 200));
        assertEquals(few.status(), 422);
        assertTrue(few.text().contains("points"), few.text());
        Map<String, Object> request = comparison(false, 100, 200, 400);
        request.put("points", List.of(Map.of("reference", "lots", "readings", List.of("1"))));
        Reply broken = post("/api/meters/compare", request);
        assertTrue(broken.text().contains("points.0.reference"), broken.text());
    }

    @Test
    public void anOutputMayBeTypedAsAVoltageOrAsForwardAndReflected() {
        JsonNode run = post("/api/runs", start("MHZ_7", "7.1")).json();
        String acts = "/api/runs/" + run.get("id").asString() + "/acts";
        run = post(acts, act(run.get("sequence").asLong(), "READ", "role", "OUTPUT", "text", "424 Vpp"))
                .json();
        // 424²/8/51.6 by hand.
        assertEquals(run.get("draft").get("output").get("value").asDouble(), 435.5, 0.1);
        run = post(acts, act(run.get("sequence").asLong(), "READ", "role", "OUTPUT", "text", "120/4"))
                .json();
        assertEquals(run.get("draft").get("output").get("value").asDouble(), 116, 1e-9);
        Map<String, Object> antenna = start("MHZ_7", "7.1");
        antenna.put("terminationId", equipmentId("Yardarm"));
        JsonNode other = post("/api/runs", antenna).json();
        Reply refused = post(
                "/api/runs/" + other.get("id").asString() + "/acts",
                act(other.get("sequence").asLong(), "READ", "role", "OUTPUT", "text", "424 Vpp"));
        assertEquals(refused.status(), 422);
        assertTrue(refused.text().contains("dummy load"), refused.text());
    }

    @Test
    public void conversionsSayPowerPepAndWhetherTheWattmeterAgrees() {
        Map<String, Object> request = new LinkedHashMap<>();
        request.put("entry", "565.7 Vpp");
        request.put("ohm", "50");
        request.put("tones", "CARRIER");
        request.put("swr", "2");
        request.put("meterId", equipmentId("Fathom"));
        request.put("meterReading", "790");
        JsonNode said = post("/api/meters/convert", request).json();
        assertTrue(said.get("power").asString().startsWith("800"), said.toString());
        assertTrue(said.get("worst").asString().startsWith("400 V"), said.toString());
        assertTrue(said.get("agreement").asString().startsWith("They agree"), said.toString());
        request.put("meterReading", "79");
        said = post("/api/meters/convert", request).json();
        assertTrue(said.get("causes").get(0).asString().contains("probe"), said.toString());
        JsonNode line = post(
                        "/api/meters/reflection",
                        Map.of("meterId", equipmentId("Fathom"), "forward", "100", "reflected", "25"))
                .json();
        assertTrue(line.get("swr").asString().startsWith("3.0"), line.toString());
    }
}
