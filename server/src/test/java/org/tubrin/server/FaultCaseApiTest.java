package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A case from its symptom to its cure: over days, with records of the station, undone, told, backed up. */
public class FaultCaseApiTest extends ServerTest {
    private Reply open(UUID id, String amplifier, boolean intermittent, String... symptoms) {
        Map<String, Object> request = new LinkedHashMap<>();
        request.put("id", id.toString());
        request.put("amplifier", amplifier);
        request.put("symptoms", List.of(symptoms));
        request.put("intermittent", intermittent);
        return post("/api/faults", request);
    }

    private Reply act(JsonNode view, Map<String, Object> act) {
        Map<String, Object> request = new LinkedHashMap<>(act);
        request.put("revision", view.get("revision").asInt());
        return post("/api/faults/" + view.get("id").asString() + "/acts", request);
    }

    private JsonNode done(Reply reply) {
        assertEquals(reply.status(), 200, reply.text());
        return reply.json();
    }

    private int alterations() {
        return get("/api/alterations").json().get("entries").size();
    }

    @Test
    public void aSwapNamesTheJumperAndItsReplacementEntersTheLedger() {
        Reply opened = open(UUID.randomUUID(), "Ketch 600", false, "RECEIVE_DEAD");
        assertEquals(opened.status(), 201, opened.text());
        JsonNode view = opened.json();
        assertEquals(view.get("verdict").asString(), "CHECK");
        // Whatever is asked first, the operator swaps the jumper.
        view = done(act(view, Map.of("act", "ANSWER", "check", "SWAP_JUMPER", "yes", true)));
        assertEquals(view.get("verdict").asString(), "FIX", view.toString());
        assertEquals(view.get("fix").asString(), "JUMPER_OPEN");
        assertTrue(
                view.get("why").asString().matches(".*9\\d % likely.*"),
                view.get("why").asString());
        assertEquals(view.get("sentence").asString(), "Replace the jumper, and cut the old one in two.");
        int before = alterations();
        JsonNode cured = done(act(view, Map.of("act", "FIX", "cause", "JUMPER_OPEN", "yes", true)));
        assertEquals(cured.get("verdict").asString(), "CURED");
        assertTrue(cured.get("ledger").asString().contains("cable"), cured.toString());
        assertEquals(alterations(), before + 1, "a new cable closes what was found with the old one");
        JsonNode lines = get("/api/faults").json().get("cases");
        JsonNode line = lines.get(lines.size() - 1);
        assertTrue(line.get("closed").asBoolean(), line.toString());
        assertTrue(line.get("says").asString().startsWith("Fixed: jumper cable"), line.toString());

        JsonNode back = done(act(cured, Map.of("act", "BACK")));
        assertFalse(back.get("verdict").asString().equals("CURED"), back.toString());
        assertEquals(alterations(), before + 1, "the cable is new all the same");
        back = done(act(back, Map.of("act", "UNDO")));
        cured = done(act(back, Map.of("act", "FIX", "cause", "JUMPER_OPEN", "yes", true)));

        JsonNode undone = done(act(cured, Map.of("act", "UNDO")));
        assertEquals(undone.get("verdict").asString(), "FIX");
        assertEquals(alterations(), before, "what was not done is not in the ledger");
    }

    /** The demo's Brigantine has a tube that goes soft: the log says so before anything is asked. */
    @Test
    public void theStationsOwnRecordsCountFromTheStart() {
        JsonNode view =
                open(UUID.randomUUID(), "Brigantine", false, "OUTPUT_LOW_ALL").json();
        assertTrue(view.get("steps").size() >= 3, view.get("steps").toString());
        assertTrue(
                view.get("steps").toString().contains("has output at the same drive fallen?\",\"answer\":\"Yes"),
                view.get("steps").toString());
        JsonNode first = view.get("suspects").get(0);
        assertEquals(
                first.get("cause").asString(), "TUBE_SOFT", view.get("suspects").toString());
        JsonNode unknown = open(UUID.randomUUID(), "A borrowed one", false, "OUTPUT_LOW_ALL")
                .json();
        assertEquals(unknown.get("steps").size(), 0);
    }

    /** What is remembered is asked at the door, narrows what may be wrong before any walk, and is nothing but memory. */
    @Test
    public void whatIsRememberedCountsBeforeTheFirstCheck() {
        JsonNode asked =
                get("/api/faults/questions?within=TUBES&symptoms=ARCS,TRIPS").json();
        assertTrue(asked.toString().contains("ASK_SUDDEN"), asked.toString());
        assertTrue(asked.toString().contains("Think back."), asked.toString());
        assertEquals(get("/api/faults/questions?within=TUBES").json().size(), 0);
        Map<String, Object> request = new LinkedHashMap<>();
        request.put("id", UUID.randomUUID().toString());
        request.put("amplifier", "A borrowed one");
        request.put("symptoms", List.of("TRIPS_HEAT"));
        request.put("intermittent", false);
        request.put("known", List.of(Map.of("check", "ASK_WITH_HEAT", "yes", true)));
        Reply opened = post("/api/faults", request);
        assertEquals(opened.status(), 201, opened.text());
        assertEquals(opened.json().get("steps").size(), 1);
        assertEquals(opened.json().get("steps").get(0).get("answer").asString(), "Yes");
        request.put("id", UUID.randomUUID().toString());
        request.put("known", List.of(Map.of("check", "SWAP_JUMPER", "yes", true)));
        Reply refused = post("/api/faults", request);
        assertEquals(refused.status(), 422, refused.text());
        assertTrue(refused.text().contains("known.check"), refused.text());
    }

    @Test
    public void theSameCallTwiceDoesNothingTwice() {
        UUID id = UUID.randomUUID();
        int before = get("/api/faults").json().get("cases").size();
        JsonNode view = open(id, "Brigantine", true, "RECEIVE_NOISY").json();
        assertEquals(open(id, "Brigantine", true, "RECEIVE_NOISY").status(), 201);
        assertEquals(get("/api/faults").json().get("cases").size(), before + 1);
        assertTrue(view.get("also").toString().contains("comes and goes"), view.toString());
        Map<String, Object> answer = Map.of("act", "ANSWER", "check", "BEND_JUMPER", "yes", true);
        JsonNode once = done(act(view, answer));
        assertEquals(act(view, answer).status(), 409, "it has moved on since it was read");
        assertEquals(
                get("/api/faults/" + id).json().get("steps").size(),
                once.get("steps").size());
    }

    @Test
    public void mainsAreForLicensedPeople() {
        JsonNode view = open(UUID.randomUUID(), "Brigantine", false, "SAG").json();
        view = done(act(view, Map.of("act", "ANSWER", "check", "READ_LINE", "yes", true)));
        view = done(act(view, Map.of("act", "ANSWER", "check", "SWAP_OUTLET", "yes", true)));
        assertEquals(view.get("fix").asString(), "MAINS_WEAK", view.toString());
        assertTrue(view.get("sentence").asString().startsWith("Stop here and ask somebody licensed"), view.toString());
        assertTrue(view.get("cautions").get(0).asString().contains("licensed people"), view.toString());
    }

    @Test
    public void aCaseSurvivesABackup() {
        JsonNode view =
                open(UUID.randomUUID(), "Brigantine", false, "ARCS", "TRIPS").json();
        view = done(act(view, Map.of("act", "SKIP", "check", view.get("check").asString())));
        byte[] kept = get("/api/backup").text().getBytes(StandardCharsets.UTF_8);
        String path = "/api/faults/" + view.get("id").asString();
        assertEquals(delete(path).status(), 204);
        assertEquals(get(path).status(), 404);
        restore.restore(new ByteArrayInputStream(kept), 0, true);
        assertEquals(get(path).json(), view);
    }

    @Test
    public void whatIsWrongIsNamed() {
        Reply refused = open(UUID.randomUUID(), " ", false);
        assertEquals(refused.status(), 422);
        assertTrue(refused.text().contains("amplifier") && refused.text().contains("symptoms"), refused.text());
        JsonNode view = open(UUID.randomUUID(), "Brigantine", false, "HUM").json();
        Reply lacking = act(view, Map.of("act", "ANSWER", "check", "READ_RIPPLE"));
        assertEquals(lacking.status(), 422);
        assertEquals(lacking.json().get("problems").get(0).get("field").asString(), "yes");
        assertEquals(
                act(view, Map.of("act", "FIX", "yes", true))
                        .json()
                        .get("problems")
                        .get(0)
                        .get("field")
                        .asString(),
                "cause");
        assertEquals(get("/api/faults/" + UUID.randomUUID()).status(), 404);
        assertFalse(view.get("sentence").asString().isEmpty());
    }
}
