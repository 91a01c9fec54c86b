package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Candidates side by side. */
public class ChoosingApiTest extends ServerTest {
    private JsonNode candidate(String name) {
        for (JsonNode one : get("/api/choosing").json().get("candidates")) {
            if (one.get("name").asString().equals(name)) {
                return one;
            }
        }
        throw new AssertionError("no " + name);
    }

    private static List<String> flags(JsonNode candidate) {
        List<String> flags = new ArrayList<>();
        candidate.get("flags").forEach(flag -> flags.add(flag.get("code").asString()));
        return flags;
    }

    /** 890 W of 1400 W leave 510 W in a tube that is rated for 500. */
    @Test
    public void theDemosClaimBeyondSheetAndHeatIsFlaggedWithItsArithmetic() {
        JsonNode sloop = candidate("Sloop 1000");
        assertEquals(flags(sloop), List.of("ABOVE_HEAT", "ABOVE_SHEET", "SHEET_AT_LIMIT"));
        assertTrue(sloop.get("flags").get(0).get("meaning").asString().contains("873 W"), sloop.toString());
        assertTrue(sloop.get("flags").get(2).get("meaning").asString().contains("510 W"), sloop.toString());
        assertEquals(sloop.get("countedOn").asString(), "873\u2009W");
        JsonNode frigate = candidate("Frigate 1500");
        assertEquals(flags(frigate), List.of());
        JsonNode dory = candidate("Dory 700, 1984");
        assertTrue(dory.get("knockedOut").asBoolean());
        assertTrue(dory.get("asCarrier").asString().contains("950"), dory.toString());
    }

    @Test
    public void thoseThatTheLicenceHoldsAlikeSoundAlike() {
        Map<String, Object> other = new LinkedHashMap<>();
        other.put("kind", "candidate");
        other.put("name", "Galleon 3000");
        other.put("claimW", 3000);
        other.put("claim", "NOT_SAID");
        other.put("stillMade", "UNKNOWN");
        other.put("inspected", List.of());
        assertEquals(post("/api/equipment", other).status(), 201);
        JsonNode galleon = candidate("Galleon 3000");
        assertEquals(flags(galleon), List.of("KIND_NOT_SAID", "NOTHING_TO_HOLD_AGAINST"));
        JsonNode frigate = candidate("Frigate 1500");
        JsonNode behind = galleon.has("louder") ? galleon : frigate;
        assertTrue(behind.get("louder").asString().contains("no difference"), behind.toString());
        // Nobody tunes what is not there.
        assertFalse(get("/api/choices").json().toString().contains("Galleon"));
        other.put("claimW", 0);
        other.put("name", "Galleon 0");
        Reply refused = post("/api/equipment", other);
        assertEquals(refused.status(), 422);
        assertTrue(refused.text().contains("claimW"), refused.text());
    }
}
