package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.alc.LevelLaw;
import tools.jackson.databind.JsonNode;

/** Levels into an exciter typed in, what they say, and what shuts them. */
public class AlcApiTest extends ServerTest {
    private Map<String, Object> start(Map<String, Object> sound) {
        Map<String, Object> start = start("MHZ_7", "7.1");
        start.put("exciterId", equipmentId("Skiff 10"));
        start.put("carrier", "DATA");
        start.put("meterIds", List.of(equipmentId("Shoal 20"), equipmentId("Skiff 10 gauge"), equipmentId("Lookout")));
        start.put("school", "ALC");
        start.put("sound", sound);
        return start;
    }

    private static Map<String, Object> sound() {
        return new HashMap<>(Map.of(
                "program", "sender",
                "device", "cable",
                "systemVolume", "80",
                "setPower", "5",
                "otherPower", "2.5",
                "low", "500",
                "middle", "1500",
                "high", "2500"));
    }

    private void tries(LevelLaw law) {
        for (int i = 0; i < 500 && !run.get("phase").asString().equals("FINISHED"); i++) {
            String move = run.get("advice").get("move").asString();
            if (move.equals("REST") || move.equals("KEY_AND_READ")) {
                JsonNode draft = run.get("draft");
                double level = Double.parseDouble(draft.get("level").asString().replace("\u2009%", "")) / 100;
                does("KEY");
                does(
                        "READ",
                        "role",
                        "OUTPUT",
                        "text",
                        String.format("%.2f", law.outputW(draft.get("driveW").asDouble(), level)));
                does(
                        "READ",
                        "role",
                        "ALC_GAUGE",
                        "text",
                        String.format("%.0f", law.gauge(LevelLaw.Shows.ALL_THE_WAY, level, 0)));
                does("READ", "role", "SIGNAL_WIDTH", "text", String.format("%.0f Hz", law.widthHz(level, 180)));
                does("UNKEY");
            } else {
                does("FOLLOW");
            }
        }
        assertEquals(run.get("phase").asString(), "FINISHED", run.get("advice").toString());
    }

    @Test
    public void levelsAreTypedAndSayWhereToSetThem() {
        Reply begun = post("/api/runs", start(sound()));
        assertEquals(begun.status(), 201, begun.text());
        run = begun.json();
        assertEquals(run.get("kind").asString(), "ALC");
        assertFalse(run.get("twin").asBoolean(), "what is bypassed has nothing to be foreseen");
        assertEquals(run.get("room").get("rooms").size(), 0);
        tries(new LevelLaw(0.5, 1.06));
        JsonNode levels = run.get("levels");
        assertEquals(levels.get("series").size(), 4);
        assertEquals(levels.get("knee").get("level").asDouble(), 0.5, 0.03);
        assertTrue(levels.get("window").get("high").asDouble() < 0.5);
        assertEquals(levels.get("gauge").get("kind").asString(), "MOVES_THROUGHOUT");
        JsonNode widening = levels.get("widening");
        assertTrue(
                widening.get("before").asDouble() < 0.52 && widening.get("from").asDouble() > 0.48,
                widening.toString());
        assertTrue(
                levels.get("says").toString().contains("which agrees with the output"),
                levels.get("says").toString());
        assertEquals(run.get("guard").size(), 0);
        JsonNode view = get("/api/drive/alc").json();
        JsonNode row = view.get("rows").get(0);
        assertEquals(row.get("runId").asString(), run.get("id").asString());
        assertEquals(row.get("firmware").asString(), "2.0");
        assertFalse(row.get("shut").asBoolean());
        assertEquals(view.get("shownRunId").asString(), run.get("id").asString());
        assertTrue(get("/api/runs/" + run.get("id").asString() + "/steps.csv")
                .text()
                .contains("toneHz,levelShare"));
        assertFalse(get("/api/cards").text().contains(run.get("id").asString()), "no dials, no card");
    }

    /** The demo's exciters: one tried before its new firmware alone, one after it too. */
    @Test
    public void anotherFirmwareShutsALevel() {
        boolean shut = false;
        for (JsonNode row : get("/api/drive/alc").json().get("rows")) {
            if (row.get("exciter").asString().equals("Halyard 100")) {
                assertTrue(row.get("shut").asBoolean());
                assertTrue(row.get("shutWords").asString().contains("firmware 2.4; now it is 3.0"));
                shut = true;
            }
        }
        assertTrue(shut, "the demo's Halyard");
    }

    @DataProvider
    public Object[][] mistyped() {
        return new Object[][] {
            {"setPower", "50", "sound.setPower"},
            {"otherPower", "", "sound.otherPower"},
            {"low", "20", "sound.low"},
            {"systemVolume", "140", "sound.systemVolume"},
            {"middle", "400", "middleHz"},
            {"program", "", "program"},
        };
    }

    @Test(dataProvider = "mistyped")
    public void whatIsMistypedIsNamed(String field, String text, String named) {
        Map<String, Object> sound = sound();
        sound.put(field, text);
        Reply reply = post("/api/runs", start(sound));
        assertEquals(reply.status(), 422, reply.text());
        assertTrue(reply.text().contains("\"" + named + "\""), reply.text());
    }

    @Test
    public void itTakesADummyLoadAndASoundPath() {
        Map<String, Object> onTheAir = start(sound());
        onTheAir.put("terminationId", equipmentId("Yardarm"));
        assertTrue(post("/api/runs", onTheAir).text().contains("NEEDS_DUMMY_LOAD"));
        Map<String, Object> without = start(sound());
        without.remove("sound");
        assertEquals(post("/api/runs", without).status(), 422);
    }

    /** The bypassed amplifier is not rated for it, and does not have to be. */
    @Test
    public void aLevelIsTriedOnAnyBandOfTheExciter() {
        Map<String, Object> low = start(sound());
        low.put("band", "KHZ_472");
        low.put("frequency", "0.475");
        Reply begun = post("/api/runs", low);
        assertEquals(begun.status(), 201, begun.text());
    }

    /** A climb with the exciter whose firmware changed says in its guard that the level is to be tried again. */
    @Test
    public void theGuardOfAClimbTellsOfTheLevel() {
        JsonNode ended = null;
        for (JsonNode row : get("/api/runs").json().get("runs")) {
            JsonNode one = get("/api/runs/" + row.get("id").asString()).json();
            if (one.get("kind").asString().equals("TUNE_UP") && one.get("guard").size() > 0) {
                ended = one;
                break;
            }
        }
        assertTrue(ended != null, "the demo has an ended climb");
        boolean told = false;
        for (JsonNode guard : ended.get("guard")) {
            if (guard.hasNonNull("level")) {
                String says = guard.get("level").asString();
                assertTrue(
                        says.startsWith("The level was measured with another firmware")
                                || says.equals("Its level was never tried."),
                        says);
                told |= says.startsWith("The level was measured");
            }
        }
        assertTrue(told, ended.get("guard").toString());
    }

    @Test
    public void aLevelIsTypedInPerCent() {
        run = post("/api/runs", start(sound())).json();
        does("SET", "control", "LEVEL", "text", "42.5 %");
        assertEquals(run.get("draft").get("level").asString(), "42.5\u2009%");
        Reply beyond = post(
                "/api/runs/" + run.get("id").asString() + "/acts",
                act(run.get("sequence").asLong(), "SET", "control", "LEVEL", "text", "130"));
        assertEquals(beyond.status(), 422);
        assertTrue(beyond.text().contains("\"LEVEL\""), beyond.text());
        Reply plate = post(
                "/api/runs/" + run.get("id").asString() + "/acts",
                act(run.get("sequence").asLong(), "SET", "control", "PLATE", "text", "5"));
        assertEquals(plate.status(), 422);
    }
}
