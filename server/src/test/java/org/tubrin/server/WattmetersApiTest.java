package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Two wattmeters in one line: read at each step, changed over, and one corrected by the other. */
public class WattmetersApiTest extends ServerTest {
    private Reply begun(String... meters) {
        Map<String, Object> start = start("MHZ_7", "7.1");
        start.put("warmUpSpeed", 100);
        start.put("meterIds", List.of(meters).stream().map(this::equipmentId).toList());
        return post("/api/runs", start);
    }

    private void isReady() {
        for (JsonNode check : run.get("preflight")) {
            does("CHECK", "check", check.get("code").asString());
        }
        does("WARM", "text", "10");
    }

    private void step(double driveW, double outputW, double otherW) {
        does("SET", "control", "DRIVE", "text", Double.toString(driveW));
        does("SET", "control", "PLATE", "text", "5.1");
        does("SET", "control", "LOAD", "text", "3.5");
        does("KEY");
        does("UNKEY");
        does("RANGE", "role", "OUTPUT", "text", "1.5 kW");
        does("READ", "role", "OUTPUT", "text", Double.toString(outputW));
        does("READ", "role", "OTHER_OUTPUT", "text", Double.toString(otherW));
        does("READ", "role", "PLATE_CURRENT", "text", "0.4");
        does("READ", "role", "GRID_CURRENT", "text", "0.08");
        does("READ", "role", "PLATE_VOLTAGE", "text", "2.58");
        does("RECORD");
    }

    private List<String> says() {
        return StreamSupport.stream(run.get("wattmeters").get("says").spliterator(), false)
                .map(JsonNode::asString)
                .toList();
    }

    @Test
    public void bothAreReadComparedAndChangedOverAndTheSecondIsCorrectedByTheFirst() {
        Reply begun = begun("Marker", "Fathom", "Brigantine panel");
        assertEquals(begun.status(), 201, begun.text());
        run = begun.json();
        assertEquals(says(), List.of("Fathom counts for the output; Marker is read beside it."));
        isReady();
        List<double[]> steps =
                List.of(new double[] {9, 230, 250}, new double[] {18, 380, 410}, new double[] {35, 600, 650});
        steps.forEach(one -> step(one[0], one[1], one[2]));
        assertTrue(says().get(0).startsWith("Marker shows 8."), says().toString());
        assertTrue(says().get(0).endsWith("more than Fathom, over 3 steps."), says().toString());
        does("SET", "control", "WATTMETERS", "text", "1");
        assertTrue(run.get("wattmeters").get("changedOver").asBoolean());
        step(70, 880, 955);
        assertEquals(says().size(), 2);
        assertTrue(says().get(1).contains("what differs is in the meters"), says().toString());
        JsonNode rows = get("/api/runs/" + run.get("id").asString()).json().get("rows");
        assertTrue(rows.toString().contains("Second output"));
        String csv = get("/api/runs/" + run.get("id").asString() + "/steps.csv").text();
        assertTrue(csv.contains("wattmetersChangedOver") && csv.contains("other_output_typed"), csv);
        JsonNode comparison = run.get("wattmeters").get("comparison");
        List<Map<String, Object>> points = new ArrayList<>();
        comparison
                .get("points")
                .forEach(point -> points.add(Map.of(
                        "reference", point.get("reference").asString(),
                        "readings", List.of(point.get("reading").asString()))));
        Reply compared = post(
                "/api/meters/compare",
                Map.of(
                        "reference", run.get("wattmeters").get("first").asString(),
                        "referencePercent", comparison.get("percent").asString(),
                        "meters",
                                List.of(Map.of(
                                        "meterId", equipmentId("Marker"),
                                        "range", comparison.get("range").asString(),
                                        "indication",
                                                comparison.get("indication").asString())),
                        "points", points,
                        "keep", true));
        assertEquals(compared.status(), 200, compared.text());
        assertEquals(compared.json().get("found").get(0).get("rows").size(), 4);
        // The corrected record is taken into the run, where it stays the second; they then agree.
        does("CORRECT", "meterId", equipmentId("Marker"));
        assertTrue(says().get(0).startsWith("Marker and Fathom show the same"), says().toString());
        does("ABANDON");
    }

    @Test
    public void whereTheyDifferByMoreThanTheirClassesItIsASignAndThreeAreRefused() {
        run = begun("Marker", "Fathom", "Brigantine panel").json();
        isReady();
        step(35, 600, 900);
        assertTrue(run.get("signs").toString().contains("WATTMETERS_DISAGREE"), "a sign of the step that was recorded");
        does("ABANDON");
        Reply refused = begun("Marker", "Fathom", "Shoal 80", "Brigantine panel");
        assertEquals(refused.status(), 422, refused.text());
        assertFalse(refused.json().get("problems").isEmpty());
    }
}
