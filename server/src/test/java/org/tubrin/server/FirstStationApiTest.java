package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.testng.annotations.Test;
import org.tubrin.core.first.AmplifierType;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A station told by a few questions, from nothing to what a climb begins with. */
public class FirstStationApiTest extends ServerTest {
    private final List<Map<String, String>> answers = new ArrayList<>();

    private JsonNode asks() {
        Reply reply = post("/api/first-station/questions", Map.of("answers", answers));
        assertEquals(reply.status(), 200, reply.text());
        return reply.json();
    }

    @Test
    public void fewAnswersMakeAStationThatIsReady() {
        Map<String, String> known = Map.of("KIND", "TWO_TRIODES", "RATED_OUTPUT", "870 W", "GRID_CURRENT", "200 mA");
        answers.clear();
        JsonNode view = asks();
        while (view.has("next")) {
            assertTrue(answers.size() < 30, "no end to it");
            String code = view.get("next").get("code").asString();
            assertFalse(view.get("next").get("asks").asString().isBlank());
            answers.add(Map.of("question", code, "text", known.getOrDefault(code, "")));
            view = asks();
        }
        assertTrue(answers.size() <= 16, "who has no chart is not asked for its line: " + answers.size());
        JsonNode grid = view.get("answers").get(7);
        assertEquals(grid.get("shown").asString(), "200 mA");
        assertTrue(grid.get("known").asBoolean());
        Reply refused = post("/api/first-station", Map.of("answers", answers));
        assertEquals(refused.status(), 422, refused.text());
        assertEquals(refused.json().get("problems").get(0).get("code").asString(), "STATION_THERE");
        for (JsonNode one : get("/api/equipment").json()) {
            delete("/api/equipment/" + one.get("id").asString());
        }
        Reply made = post("/api/first-station", Map.of("answers", answers));
        assertEquals(made.status(), 201, made.text());
        JsonNode choices = get("/api/choices").json();
        assertEquals(choices.get("amplifiers").size(), 1);
        assertEquals(choices.get("exciters").size(), 1);
        assertEquals(choices.get("terminations").size(), 1);
    }

    @Test
    public void anAnswerThatIsRefusedIsNamed() {
        Reply reply = post(
                "/api/first-station/questions",
                Map.of("answers", List.of(Map.of("question", "DRIVE", "text", "7000"))));
        assertEquals(reply.status(), 422, reply.text());
        assertEquals(reply.json().get("problems").get(0).get("field").asString(), "DRIVE");
        assertEquals(reply.json().get("problems").get(0).get("found").asString(), "7000");
    }

    /** What a form starts from is accepted as it stands, once it has a name. */
    @Test
    public void aTypeIsARecordThatCanBeSavedAsItStands() {
        JsonNode types = get("/api/first-station/amplifier-types").json();
        assertEquals(types.size(), AmplifierType.values().length);
        for (JsonNode type : types) {
            ObjectNode body = (ObjectNode) type.get("body");
            body.put("name", type.get("code").asString());
            Reply saved = post("/api/equipment", body.toString());
            assertEquals(saved.status(), 201, saved.text());
            assertFalse(type.get("name").asString().isBlank());
        }
    }
}
