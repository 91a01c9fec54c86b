package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

public class EquipmentApiTest extends ServerTest {
    private static final String LOAD =
            "{\"kind\":\"load\",\"name\":\"%s\",\"resistanceColdOhm\":%s,\"powerLimitW\":%s,\"thermal\":%s}";

    @Test
    public void whatIsKeptComesBackAsItWas() {
        Reply added = post("/api/equipment", LOAD.formatted("Second load", "49.7", "300", "null"));
        assertEquals(added.status(), 201, added.text());
        String id = added.json().get("id").asString();
        Reply edited =
                put("/api/equipment/" + id + "?revision=1", LOAD.formatted("Second load", "50.2", "300", "null"));
        assertEquals(edited.json().get("revision").asInt(), 2);
        assertEquals(edited.json().get("body").get("resistanceColdOhm").asDouble(), 50.2);
        assertEquals(call(request("/api/equipment/" + id).DELETE()).status(), 204);
        assertEquals(call(request("/api/equipment/" + id).DELETE()).status(), 404);
    }

    @Test
    public void everyDemoRecordSurvivesBeingKeptAgain() {
        for (JsonNode one : get("/api/equipment").json()) {
            Reply kept = put(
                    "/api/equipment/" + one.get("id").asString() + "?revision="
                            + one.get("revision").asInt(),
                    one.get("body").toString());
            assertEquals(kept.status(), 200, kept.text());
            assertEquals(kept.json().get("body"), one.get("body"));
        }
    }

    @Test
    public void allProblemsOfARecordAreToldAtOnceByTheirPlace() {
        Reply reply = post(
                "/api/equipment",
                LOAD.formatted(
                        "", "-3", "1e9", "{\"resistanceKPerW\":-1,\"timeConstantS\":0,\"temperatureLimitC\":1000}"));
        assertEquals(reply.status(), 422);
        Set<String> fields = new HashSet<>();
        reply.json()
                .get("problems")
                .forEach(problem -> fields.add(problem.get("field").asString()));
        assertEquals(
                fields,
                Set.of(
                        "name",
                        "resistanceColdOhm",
                        "powerLimitW",
                        "thermal.resistanceKPerW",
                        "thermal.timeConstantS",
                        "thermal.temperatureLimitC"));
        assertEquals(reply.json().get("problems").get(0).get("allowed").asString(), "0.001 to 10");
    }

    @Test
    public void aProblemDeepInAMeterNamesItsPlace() {
        String meter =
                "{\"kind\":\"meter\",\"name\":\"M\",\"channels\":[{\"role\":\"OUTPUT\",\"scaleUnit\":\"W\",\"ranges\":"
                        + "[{\"name\":\"a\",\"fullScale\":100},{\"name\":\"b\",\"fullScale\":-1}],\"accuracy\":{\"kind\":\"ofFullScale\","
                        + "\"fraction\":0.05},\"indication\":\"AVERAGE\",\"correctionFactor\":1}]}";
        JsonNode problem = post("/api/equipment", meter).json().get("problems").get(0);
        assertEquals(problem.get("field").asString(), "channels.0.ranges.1.fullScale");
        assertEquals(problem.get("found").asString(), "-1");
    }

    @Test
    public void twoOfOneNameAreRefused() {
        Reply reply = post("/api/equipment", LOAD.formatted("ballast 1000", "50", "300", "null"));
        assertEquals(reply.json().get("problems").get(0).get("code").asString(), "DUPLICATE");
    }

    @Test
    public void anOldRevisionIsStale() {
        String id = equipmentId("Ballast 1000");
        String body = LOAD.formatted("Ballast 1000", "50", "300", "null");
        assertEquals(put("/api/equipment/" + id + "?revision=1", body).status(), 200);
        assertEquals(put("/api/equipment/" + id + "?revision=1", body).status(), 409);
    }

    @Test
    public void theStationIsKeptByRevision() {
        JsonNode station = get("/api/station").json();
        Map<String, Object> request = Map.of(
                "revision", station.get("revision").asInt(),
                "station", Map.of("name", "Skerry Point", "callSign", "Q1TUB", "licenceLimitW", 400, "ambientC", 18));
        assertEquals(
                put("/api/station", request)
                        .json()
                        .get("station")
                        .get("licenceLimitW")
                        .asInt(),
                400);
        assertEquals(put("/api/station", request).status(), 409);
    }

    @Test
    public void gapsPointToTheRecordToEdit() {
        boolean found = false;
        for (JsonNode gap : get("/api/gaps").json()) {
            found |= gap.get("code").asString().equals("NO_RELAY_TIME")
                    && gap.get("equipmentId").asString().equals(equipmentId("Barque"));
        }
        assertTrue(found);
    }
}
