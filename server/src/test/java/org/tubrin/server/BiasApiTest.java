package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Idle currents typed in, what they say, and what is refused. */
public class BiasApiTest extends ServerTest {
    private static final Pattern AIM = Pattern.compile("to ([\\d.]+) m[VA]");
    private static final int MOST_MOVES = 300;
    private static final double FASTEST = 100;

    private Map<String, Object> start(Map<String, Object> bias) {
        Map<String, Object> start = start("MHZ_7", "7.1");
        start.put("amplifierId", equipmentId("Ketch 600"));
        start.put("meterIds", List.of(equipmentId("Plummet")));
        start.put("school", "BIAS");
        start.put("warmUpSpeed", FASTEST);
        start.put("bias", bias);
        return start;
    }

    private int readsTheGate() {
        return post(
                        "/api/runs/" + run.get("id").asString() + "/acts",
                        act(run.get("sequence").asLong(), "READ", "role", "GATE_VOLTAGE", "text", "2.9"))
                .status();
    }

    @Test
    public void whatAMeterCouldShowIsNotReadWhereItIsLeftUnread() {
        Map<String, Object> start = start(bias());
        run = post("/api/runs", start).json();
        assertEquals(readsTheGate(), 200, "the meter shows it");
        start = start(bias());
        start.put("unread", List.of("GATE_VOLTAGE"));
        run = post("/api/runs", start).json();
        assertEquals(readsTheGate(), 422, "it is left unread");
        assertEquals(
                post("/api/backup/restore?apply=true", get("/api/backup").text())
                        .status(),
                200);
        assertEquals(readsTheGate(), 422, "after a backup too");
        start = start(bias());
        start.put("unread", List.of("SENSE_VOLTAGE", "GATE_VOLTAGE"));
        Reply blind = post("/api/runs", start);
        assertEquals(blind.status(), 422);
        assertTrue(blind.text().contains("NO_CHANNEL"), blind.text());
        start.put("unread", List.of("GATE"));
        assertEquals(post("/api/runs", start).status(), 422);
    }

    private static Map<String, Object> bias() {
        return new HashMap<>(Map.of(
                "devices", "2",
                "idle", "80",
                "because", "sheet",
                "nominal", "2.2",
                "measured", "2.37",
                "bound", "0.5",
                "potTurns", "10",
                "newBoard", false));
    }

    private void reads(double mV, String gateV) {
        does("READ", "role", "SENSE_VOLTAGE", "text", String.format(Locale.ROOT, "%.1f", mV));
        does("READ", "role", "GATE_VOLTAGE", "text", gateV);
    }

    /** Two devices that come out as aimed and draw no more when hot. */
    private void sets() throws InterruptedException {
        double shown = 9.7;
        double[] device = {0, 0};
        int hand = 0;
        for (int i = 0; i < MOST_MOVES && !run.get("phase").asString().equals("FINISHED"); i++) {
            String sentence = run.get("advice").get("sentence").asString();
            Matcher aim = AIM.matcher(sentence);
            switch (run.get("advice").get("move").asString()) {
                case "KEY_AND_READ" -> does("KEY");
                case "ADJUST" -> {
                    assertTrue(aim.find(), sentence);
                    hand = Integer.parseInt(run.get("draft").get("device").asString());
                    double to = Double.parseDouble(aim.group(1));
                    device[hand - 1] += to - shown;
                    shown = to;
                    reads(shown, hand == 1 ? "3.4" : "2.9");
                }
                case "TURN_DOWN" -> {
                    hand = Integer.parseInt(run.get("draft").get("device").asString());
                    shown -= device[hand - 1];
                    device[hand - 1] = 0;
                    reads(shown, "0");
                }
                case "HOLD" -> Thread.sleep(200);
                case "READ_OFF" -> reads(shown, hand == 2 ? "2.9" : "3.4");
                default -> does("FOLLOW");
            }
            if (run.get("advice").get("move").asString().equals("HOLD")) {
                run = get("/api/runs/" + run.get("id").asString()).json();
            }
        }
        assertEquals(run.get("phase").asString(), "FINISHED", run.get("advice").toString());
    }

    @Test
    public void currentsAreTypedAndKept() throws InterruptedException {
        Reply begun = post("/api/runs", start(bias()));
        assertEquals(begun.status(), 201, begun.text());
        run = begun.json();
        assertEquals(run.get("kind").asString(), "BIAS");
        assertEquals(run.get("drivesW").size(), 0);
        sets();
        JsonNode bias = run.get("bias");
        assertEquals(bias.get("unit").asString(), "mV");
        assertEquals(bias.get("devices").size(), 2);
        for (JsonNode device : bias.get("devices")) {
            assertTrue(device.get("within").asBoolean(), device.toString());
            assertTrue(device.get("current").asString().matches("(79|80)\\.\\d ± 0\\.\\d+"), device.toString());
        }
        assertTrue(bias.get("says").toString().contains("no pair"), "3.4 and 2.9 V are more than 10 % apart");
        assertTrue(
                bias.get("says").toString().contains("7 % off"),
                bias.get("says").toString());
        assertEquals(run.get("guard").size(), 0);
        JsonNode page = get("/api/drive/bias").json();
        assertEquals(page.get("shownRunId").asString(), run.get("id").asString(), "the newest is shown");
        assertEquals(page.get("rows").get(0).get("came").asString(), "set, hot");
        String csv = get("/api/runs/" + run.get("id").asString() + "/steps.csv").text();
        assertTrue(csv.contains("device,potTurns") && csv.contains("sense_voltage_typed"), csv);
        assertFalse(get("/api/cards").text().contains(run.get("id").asString()), "no dials, no card");
    }

    @DataProvider
    public Object[][] mistyped() {
        return new Object[][] {
            {"devices", "9", "bias.devices"},
            {"devices", "2.5", "bias.devices"},
            {"idle", "", "bias.idle"},
            {"measured", "-2", "bias.measured"},
            {"bound", "50", "bias.bound"},
            {"potTurns", "many", "bias.potTurns"},
            {"because", "", "because"},
        };
    }

    @Test(dataProvider = "mistyped")
    public void whatIsMistypedIsNamed(String field, String text, String named) {
        Map<String, Object> bias = bias();
        bias.put(field, text);
        Reply reply = post("/api/runs", start(bias));
        assertEquals(reply.status(), 422, reply.text());
        assertTrue(reply.text().contains("\"" + named + "\""), reply.text());
    }

    @Test
    public void itTakesTransistorsADummyLoadAndItsMeter() {
        Map<String, Object> tubes = start(bias());
        tubes.put("amplifierId", equipmentId("Brigantine"));
        assertTrue(post("/api/runs", tubes).text().contains("NEEDS_TRANSISTORS"));
        Map<String, Object> onTheAir = start(bias());
        onTheAir.put("terminationId", equipmentId("Yardarm"));
        assertTrue(post("/api/runs", onTheAir).text().contains("NEEDS_DUMMY_LOAD"));
        Map<String, Object> ammeter = start(bias());
        ammeter.put("unread", List.of("DEVICE_CURRENT"));
        ammeter.put("bias", Map.of("devices", "2", "idle", "80", "because", "x", "potTurns", "10", "newBoard", false));
        assertTrue(post("/api/runs", ammeter).text().contains("NO_CHANNEL"));
        Map<String, Object> without = start(bias());
        without.remove("bias");
        assertEquals(post("/api/runs", without).status(), 422);
    }

    /** The demo's board: one device did not lie flat, and was mounted anew. */
    @Test
    public void theDemoTellsOfOneThatRanAway() {
        String rows = get("/api/drive/bias").json().get("rows").toString();
        assertTrue(rows.contains("a device ran away") && rows.contains("set, hot"), rows);
    }
}
