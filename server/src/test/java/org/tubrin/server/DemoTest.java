package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.Set;
import java.util.TreeSet;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

public class DemoTest extends ServerTest {
    @Test
    public void theDemoHasACardOfFiveBandsAndOneClimbGoingOn() {
        Set<String> bands = new TreeSet<>();
        get("/api/cards").json().forEach(row -> bands.add(row.get("band").asString()));
        assertEquals(bands, Set.of("MHZ_3_5", "MHZ_7", "MHZ_14", "MHZ_21", "MHZ_28"));
        int open = 0;
        for (JsonNode run : runs()) {
            open += run.has("ending") ? 0 : 1;
        }
        assertEquals(open, 1);
    }

    /** The demo shows climbs that went well: no limit is passed in any of their steps. */
    @Test
    public void noDemoClimbPassesALimit() {
        for (JsonNode run : runs()) {
            JsonNode view = get("/api/runs/" + run.get("id").asString()).json();
            for (JsonNode step : view.get("steps")) {
                assertTrue(
                        !step.get("signs").toString().matches(".*(_LIMIT|TOO_|STILL|WITHOUT).*"),
                        view.get("title") + " " + step);
            }
        }
    }
}
