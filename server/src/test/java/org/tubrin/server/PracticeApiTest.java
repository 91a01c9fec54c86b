package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Stream;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** An exercise over HTTP: begun, worked, found, ended, told, kept over a restart, and nowhere in log, cards and trends. */
public class PracticeApiTest extends ServerTest {
    private static final int SEED = 4711;

    private JsonNode begin(UUID id, String lesson, boolean helped, Object... more) {
        Map<String, Object> request = new LinkedHashMap<>();
        request.put("id", id.toString());
        request.put("lesson", lesson);
        request.put("seed", SEED);
        request.put("panel", "SEVERAL");
        request.put("scale", "WHOLE_WATTS");
        request.put("shortWarmUp", true);
        request.put("helped", helped);
        for (int i = 0; i < more.length; i += 2) {
            request.put((String) more[i], more[i + 1]);
        }
        Reply reply = post("/api/practices", request);
        assertEquals(reply.status(), 201, reply.text());
        return reply.json();
    }

    private Reply reply(UUID id, UUID client, String does, Object... more) {
        Map<String, Object> request = new LinkedHashMap<>();
        request.put("clientId", client.toString());
        request.put("does", does);
        for (int i = 0; i < more.length; i += 2) {
            request.put((String) more[i], more[i + 1]);
        }
        return post("/api/practices/" + id + "/acts", request);
    }

    private JsonNode does(UUID id, String does, Object... more) {
        Reply reply = reply(id, UUID.randomUUID(), does, more);
        assertEquals(reply.status(), 200, reply.text());
        return reply.json();
    }

    /** Lets an exercise be so many seconds older, and what is in memory be forgotten, as after a restart. */
    private void older(UUID id, int seconds) {
        database.update(
                "update practice set started_at = started_at - make_interval(secs => ?) where id = ?", seconds, id);
        restart();
    }

    private void restart() {
        restore.restore(new ByteArrayInputStream(get("/api/backup").text().getBytes(StandardCharsets.UTF_8)), 0, true);
    }

    @Test
    public void aWholeExerciseIsWorkedFoundEndedAndTold() {
        long runs = count("run");
        long cards = count("card_row");
        UUID id = UUID.randomUUID();
        JsonNode play = begin(id, "WHICH_METER", false);
        assertTrue(
                play.get("code").asString().equals("9-004711"), play.get("code").asString());
        assertTrue(play.at("/panel/warmUpLeftS").asDouble() > 8);
        assertFalse(play.has("help"));
        assertEquals(post("/api/practices/" + id + "/acts", Map.of()).status(), 422);
        older(id, 12);
        String plateCard = play.at("/plateDial/card").asString();
        String loadCard = play.at("/loadDial/card").asString();
        does(id, "TURN", "control", "PLATE", "to", Double.parseDouble(plateCard));
        does(id, "TURN", "control", "LOAD", "to", Double.parseDouble(loadCard));
        play = does(id, "TURN", "control", "DRIVE", "to", 8);
        assertEquals(play.at("/panel/exciter").asDouble(), 8.0);
        assertEquals(play.at("/panel/warmUpLeftS").asDouble(), 0.0);
        play = does(id, "KEY", "on", true);
        assertTrue(play.at("/panel/keyed").asBoolean());
        await(id, "OUTPUT", 50);
        does(id, "READ");
        play = does(id, "KEY", "on", false);
        assertFalse(play.at("/panel/keyed").asBoolean());
        play = does(id, "DONE");
        assertEquals(play.get("steps").size(), 1, play.get("steps").toString());

        boolean first = Stream.of("LYING_WATTMETER", "LYING_SECOND_METER")
                .anyMatch(cause -> does(id, "NAME", "hidden", cause)
                        .get("said")
                        .get(0)
                        .get("right")
                        .asBoolean());
        assertEquals(get("/api/practices/" + id + "/debrief").status(), 404, "it goes on");
        play = does(id, "END");
        assertTrue(play.get("ended").asBoolean());
        assertEquals(reply(id, UUID.randomUUID(), "KEY", "on", true).status(), 422);

        JsonNode debrief = get("/api/practices/" + id + "/debrief").json();
        int points = debrief.get("points").asInt();
        assertTrue(points >= 0 && points <= 100, debrief.toString());
        assertEquals(debrief.get("marks").size(), 6);
        assertEquals(debrief.get("own").size(), 1);
        assertTrue(debrief.get("best").size() >= 4);
        assertEquals(debrief.get("found").size(), 1);
        assertTrue(debrief.at("/found/0/atS").asDouble() > 12);
        assertTrue(debrief.get("samples").size() > 5);
        assertEquals(debrief.get("said").size(), first ? 1 : 2);

        JsonNode all = get("/api/practices").json();
        assertEquals(all.get("plays").size(), 2, "and the demo’s");
        assertEquals(all.at("/plays/0/points").asInt(), points);
        assertEquals(all.at("/lessons/8/best").asInt(), points);
        assertEquals(all.at("/lessons/8/times").asInt(), 1);
        assertEquals(count("run"), runs);
        assertEquals(count("card_row"), cards);

        restart();
        assertEquals(get("/api/practices/" + id + "/debrief").json(), debrief, "played again it comes to the same");
        assertEquals(delete("/api/practices/" + id).status(), 204);
        assertEquals(get("/api/practices/" + id).status(), 404);
        assertEquals(delete("/api/practices/" + id).status(), 404);
    }

    private long count(String table) {
        return database.queryForObject("select count(*) from " + table, Long.class);
    }

    private void await(UUID id, String role, double least) {
        for (int i = 0; i < 100; i++) {
            for (JsonNode meter : get("/api/practices/" + id + "/now").json().get("meters")) {
                if (meter.get("role").asString().equals(role)
                        && meter.get("value").asDouble() > least) {
                    return;
                }
            }
            try {
                Thread.sleep(50);
            } catch (InterruptedException e) {
                throw new IllegalStateException(e);
            }
        }
        throw new AssertionError(
                role + " did not rise: " + get("/api/practices/" + id).text());
    }

    @Test
    public void helpFollowsWhatIsDoneAtThePanel() {
        UUID id = UUID.randomUUID();
        JsonNode play = begin(id, "FIRST_CLIMB", true);
        String first = play.at("/help/sentence").asString();
        assertTrue(first.contains("band switch"), first);
        play = does(id, "DONE");
        assertNotEquals(play.at("/help/sentence").asString(), first);
        assertFalse(play.at("/help/why").asString().isBlank());
    }

    @Test
    public void theSameCallTwiceIsOne() {
        UUID id = UUID.randomUUID();
        begin(id, "FIRST_CLIMB", false);
        JsonNode again = begin(id, "TWO_FAULTS", false);
        assertEquals(again.get("code").asString(), "1-004711", "what was begun stays");
        UUID client = UUID.randomUUID();
        assertEquals(reply(id, client, "TURN", "control", "PLATE", "to", 3).status(), 200);
        does(id, "TURN", "control", "PLATE", "to", 4);
        assertEquals(
                reply(id, client, "TURN", "control", "PLATE", "to", 3)
                        .json()
                        .at("/panel/plate")
                        .asDouble(),
                4.0);
        CompletableFuture<?>[] many = Stream.generate(() -> client)
                .limit(8)
                .map(same -> CompletableFuture.supplyAsync(() -> reply(id, same, "READ")))
                .toArray(CompletableFuture[]::new);
        CompletableFuture.allOf(many).join();
        assertEquals(get("/api/practices/" + id).json().get("sequence").asInt(), 2);
    }

    @Test
    public void actsAtOnceAreAllKept() {
        UUID id = UUID.randomUUID();
        begin(id, "FIRST_CLIMB", false);
        CompletableFuture<?>[] many = Stream.iterate(1, i -> i + 1)
                .limit(20)
                .map(i -> CompletableFuture.supplyAsync(() -> does(id, "TURN", "control", "LOAD", "to", i / 4.0)))
                .toArray(CompletableFuture[]::new);
        CompletableFuture.allOf(many).join();
        JsonNode play = get("/api/practices/" + id).json();
        assertEquals(play.get("sequence").asInt(), 20);
        double load = play.at("/panel/load").asDouble();
        restart();
        assertEquals(get("/api/practices/" + id).json().at("/panel/load").asDouble(), load);
    }

    @Test
    public void whatCannotBeIsRefusedByItsField() {
        UUID id = UUID.randomUUID();
        begin(id, "FIRST_CLIMB", false, "scale", "PERCENT");
        Reply beyond = reply(id, UUID.randomUUID(), "TURN", "control", "PLATE", "to", 11);
        assertEquals(beyond.status(), 422, beyond.text());
        assertEquals(beyond.json().at("/problems/0/field").asString(), "to");
        assertEquals(reply(id, UUID.randomUUID(), "TURN", "control", "PLATE").status(), 422);
        assertEquals(reply(id, UUID.randomUUID(), "MATCH").status(), 422);
        assertEquals(
                reply(id, UUID.randomUUID(), "TURN", "control", "DRIVE", "to", 101)
                        .status(),
                422);
        assertEquals(
                does(id, "TURN", "control", "DRIVE", "to", 50)
                        .at("/panel/exciter")
                        .asDouble(),
                50.0);
        assertEquals(get("/api/practices/" + UUID.randomUUID()).status(), 404);
        Map<String, Object> strange = new LinkedHashMap<>();
        strange.put("id", UUID.randomUUID().toString());
        strange.put("lesson", "FIRST_CLIMB");
        strange.put("seed", 1_000_000);
        strange.put("panel", "SEVERAL");
        strange.put("scale", "TENTHS");
        strange.put("shortWarmUp", true);
        strange.put("helped", false);
        Reply refused = post("/api/practices", strange);
        assertEquals(refused.status(), 422, refused.text());
        assertEquals(refused.json().at("/problems/0/field").asString(), "seed");
    }

    @Test
    public void theStationsOwnTubesCanBePractisedOn() {
        JsonNode amplifiers = get("/api/practices").json().get("amplifiers");
        assertEquals(amplifiers.size(), 4, amplifiers.toString());
        for (JsonNode one : amplifiers) {
            if (one.has("id")) {
                JsonNode play = begin(
                        UUID.randomUUID(),
                        "FIRST_CLIMB",
                        true,
                        "amplifierId",
                        one.get("id").asString());
                assertEquals(play.get("amplifier").asString(), one.get("name").asString());
            }
        }
        Reply unknown = post(
                "/api/practices",
                Map.of(
                        "id",
                        UUID.randomUUID().toString(),
                        "lesson",
                        "FIRST_CLIMB",
                        "panel",
                        "SEVERAL",
                        "scale",
                        "TENTHS",
                        "shortWarmUp",
                        true,
                        "helped",
                        false,
                        "amplifierId",
                        UUID.randomUUID().toString()));
        assertEquals(unknown.status(), 422, unknown.text());
    }
}
