package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

public class LogApiTest extends ServerTest {
    /** Puts so many runs beside those of the demo, a minute apart, each on one of three bands. */
    private void add(int runs) {
        database.update(
                "insert into run (id, started_at, last_at, last_sequence, amplifier, termination, band, frequency_hz, ending,"
                        + " steps, school) select gen_random_uuid(), timestamptz '2020-01-01' + n * interval '1 minute',"
                        + " timestamptz '2020-01-01' + n * interval '1 minute', 1, 'Brigantine', 'Ballast 1000',"
                        + " (array['MHZ_7', 'MHZ_14', 'MHZ_28'])[1 + n % 3], 7.1e6, 'ABANDONED', 0, 'PULSED'"
                        + " from generate_series(0, ? - 1) as n",
                runs);
    }

    @Test
    public void aClimbForALongCarrierSaysSoAndAllItWants() {
        JsonNode runs = get("/api/runs?band=MHZ_7").json().get("runs");
        List<String> wants = new ArrayList<>();
        for (JsonNode run : runs) {
            if (run.get("longCarrierW") != null) {
                wants.add(run.get("longCarrierW").asString());
            }
        }
        assertEquals(wants, List.of("350.0"), "the demo's one; the others are for speech and CW");
    }

    @Test
    public void everyRunIsOnOnePageFromTheNewestToTheOldest() {
        add(1_234);
        JsonNode first = get("/api/runs").json();
        assertEquals(first.get("all").asInt(), 1_281);
        assertEquals(first.get("pages").asInt(), 13);
        List<String> begun = new ArrayList<>();
        HashSet<String> ids = new HashSet<>();
        for (int page = 1; page <= 13; page++) {
            for (JsonNode run : get("/api/runs?page=" + page).json().get("runs")) {
                begun.add(run.get("startedAt").asString());
                ids.add(run.get("id").asString());
            }
        }
        assertEquals(ids.size(), 1_281);
        for (int i = 1; i < begun.size(); i++) {
            assertTrue(begun.get(i - 1).compareTo(begun.get(i)) >= 0, begun.get(i - 1) + " before " + begun.get(i));
        }
        assertEquals(begun.get(1_280).substring(0, 16), "2020-01-01T00:00");
    }

    @Test
    public void whatIsAskedForIsCountedAndPaged() {
        add(999);
        JsonNode band = get("/api/runs?band=MHZ_28&school=PULSED&page=4").json();
        assertEquals(band.get("asked").asInt(), 333);
        assertEquals(band.get("runs").size(), 33);
        JsonNode day = get("/api/runs?from=2020-01-01&to=2020-01-01&band=MHZ_7").json();
        assertEquals(day.get("asked").asInt(), 333, "the day that is named as the last counts");
        assertEquals(get("/api/runs?to=2019-12-31").json().get("asked").asInt(), 0);
        assertEquals(get("/api/runs?page=900").json().get("page").asInt(), 11, "after the last comes the last");
        assertTrue(
                band.get("choices").get("bands").size() >= 3,
                band.get("choices").toString());
    }

    /** A run is listed with the output of its steps as its own page has them, to three digits. */
    @Test
    public void aRunIsListedWithItsStair() {
        int stairs = 0;
        for (JsonNode run : get("/api/runs").json().get("runs")) {
            if (run.get("stair").isEmpty()) {
                continue;
            }
            stairs++;
            List<Double> outputs = new ArrayList<>();
            get("/api/runs/" + run.get("id").asString())
                    .json()
                    .at("/steps")
                    .forEach(step -> outputs.add(step.at("/output/value").asDouble()));
            assertEquals(run.get("stair").size(), outputs.size(), run.toString());
            for (int i = 0; i < outputs.size(); i++) {
                double output = outputs.get(i);
                assertEquals(run.get("stair").get(i).asDouble(), output, 0.006 * output, run.toString());
            }
        }
        assertTrue(stairs > 10, stairs + " of the demo's runs have a stair");
    }

    @Test
    public void whatCannotBeAskedForIsSaid() {
        assertEquals(get("/api/runs?page=0").json().at("/problems/0/field").asString(), "page");
        assertEquals(
                get("/api/runs?from=yesterday").json().at("/problems/0/field").asString(), "from");
        assertEquals(get("/api/runs?from=0001-01-01").status(), 422);
    }
}
