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

/** A chain and pads as typed. */
public class ChainApiTest extends ServerTest {
    private static Map<String, Object> part(
            String name, String kind, String decibels, String compression, String most) {
        Map<String, Object> part = new LinkedHashMap<>();
        part.put("name", name);
        part.put("kind", kind);
        part.put("decibels", decibels);
        part.put("open", "0.3");
        part.put("compression", compression);
        part.put("most", most);
        return part;
    }

    private static Map<String, Object> chain(String given, String value, String wanted) {
        Map<String, Object> chain = new LinkedHashMap<>();
        chain.put("given", given);
        chain.put("value", value);
        chain.put("open", "0.4");
        chain.put(
                "parts",
                List.of(
                        part("Driver", "STAGE", "20", "5", ""),
                        part("Pad", "PAD", "3", "", "5"),
                        part("Stage", "STAGE", "16", "100", "3")));
        chain.put("wanted", wanted);
        return chain;
    }

    private JsonNode of(Map<String, Object> chain) {
        Reply reply = post("/api/drive/chain", chain);
        assertEquals(reply.status(), 200, reply.text());
        return reply.json();
    }

    @Test
    public void voltsOpenAreToldApartFromVoltsIntoTheLoad() {
        // 2 V from peak to peak: 10 mW into the load, 2.5 mW open.
        assertEquals(
                of(chain("PEAK_TO_PEAK_INTO_LOAD", "2", "10"))
                        .at("/generator/watt")
                        .asString(),
                "10\u2009mW");
        JsonNode open = of(chain("PEAK_TO_PEAK_OPEN", "2", "10"));
        assertEquals(open.at("/generator/watt").asString(), "2.5\u2009mW");
        assertEquals(open.at("/generator/shown").asString(), "4.0\u2009±\u20090.4");
        // 4 + 20 − 3 + 16 dBm, each part 0.3 dB open, the generator 0.4.
        assertEquals(open.at("/nodes/2/shown").asString(), "37.0\u2009±\u20090.7");
        assertEquals(open.at("/nodes/2/change").asString(), "+16.0");
    }

    @Test
    public void theWayUpEndsWhereTheOutputIsAndSaysSo() {
        JsonNode chain = of(chain("WATT", "0.1", "50"));
        assertTrue(chain.get("title").asString().startsWith("Attenuator to 50 dB"));
        assertEquals(chain.get("end").asString(), "WANTED");
        List<String> steps = new ArrayList<>();
        chain.get("settings").forEach(one -> steps.add(one.get("attenuation").asString()));
        assertEquals(steps.subList(0, 4), List.of("50", "40", "30", "20"));
        // 0.1 W unattenuated: 9 W out of the driver, 4.5 W past the pad, where 3 W is the most.
        assertEquals(chain.get("beyond").size(), 2, chain.toString());
        assertTrue(chain.at("/beyond/1").asString().startsWith("Stage is fed with"), chain.toString());
        assertEquals(of(chain("WATT", "0.1", "500")).get("end").asString(), "COMPRESSION");
        assertEquals(of(chain("WATT", "0.0001", "50")).get("end").asString(), "GENERATOR");
    }

    @Test
    public void badInputNamesThePart() {
        Map<String, Object> bad = chain("WATT", "0.1", "50");
        bad.put("parts", List.of(part("Driver", "STAGE", "20", "", ""), part("Pad", "PAD", "-3", "", "")));
        Reply refused = post("/api/drive/chain", bad);
        assertEquals(refused.status(), 422);
        assertEquals(refused.json().at("/problems/0/field").asString(), "parts.1.decibels");
        assertEquals(refused.json().at("/problems/0/found").asString(), "-3");
        bad.put("parts", List.of(part("Driver", "STAGE", "20", "", ""), part(" ", "PAD", "3", "", "")));
        assertEquals(
                post("/api/drive/chain", bad).json().at("/problems/0/field").asString(), "parts.1.name");
        bad = chain("DBM", "70", "50");
        assertEquals(
                post("/api/drive/chain", bad).json().at("/problems/0/field").asString(), "value");
    }

    private Map<String, Object> start(Map<String, Object> chain) {
        Map<String, Object> start = start("MHZ_14", "14.2");
        start.put("amplifierId", equipmentId("Ketch 600"));
        start.put("meterIds", List.of(equipmentId("Spyglass"), equipmentId("Plummet")));
        start.put("school", "CHAIN");
        start.put("chain", chain);
        return start;
    }

    /** 0.1 W through 20 dB of driver and a pad; typed off a scope, until the gate moves. */
    @Test
    public void theWayUpIsARunThatStopsWhereTheGateMoves() throws InterruptedException {
        Reply begun = post("/api/runs", start(chain("WATT", "0.1", "50")));
        assertEquals(begun.status(), 201, begun.text());
        run = begun.json();
        assertEquals(run.get("subtitle").asString(), "From 0.1 W through the attenuator into Ballast 1000. Key-down 1");
        int keyed = 0;
        for (int i = 0; i < 60 && !run.get("phase").asString().equals("FINISHED"); i++) {
            switch (run.get("advice").get("move").asString()) {
                case "KEY_AND_READ" -> {
                    keyed++;
                    does("KEY");
                    // 33 dB in all: 0.1 W behind 50 and 40 dB are 2 and 20 mW out, 0.91 and 2.87 V over 51.6 Ω.
                    does("READ", "role", "OUTPUT_VPP", "text", keyed == 1 ? "0.91" : "2.87");
                    does("READ", "role", "GATE_RF", "text", "0.1");
                    does("READ", "role", "GATE_VOLTAGE", "text", keyed == 1 ? "3.36" : "3.52");
                    does("UNKEY");
                }
                case "REST" -> {
                    Thread.sleep(400);
                    run = get("/api/runs/" + run.get("id").asString()).json();
                }
                default -> does("FOLLOW");
            }
        }
        assertEquals(keyed, 2);
        assertTrue(run.at("/chain/says/0").asString().contains("RF gets into the bias feed"), run.toString());
        assertEquals(run.at("/chain/taken/0/gain").asString().substring(0, 4), "33.0");
        String csv = get("/api/runs/" + run.get("id").asString() + "/steps.csv").text();
        assertTrue(csv.contains("attenuatorDb") && csv.contains("output_vpp_typed"), csv);
        assertTrue(get("/api/runs?school=CHAIN").text().contains(run.get("id").asString()), "it is in the log");
    }

    /** 100 V over 51.6 Ω are 24 W; the wattmeter says 40. */
    @Test
    public void voltsThatAWattmeterContradictsAreSaid() {
        Map<String, Object> start = start(chain("WATT", "0.1", "50"));
        start.put("meterIds", List.of(equipmentId("Spyglass"), equipmentId("Fathom")));
        run = post("/api/runs", start).json();
        while (!run.get("advice").get("move").asString().equals("KEY_AND_READ")) {
            does("FOLLOW");
        }
        assertTrue(
                run.get("advice")
                        .get("sentence")
                        .asString()
                        .matches("Key and read: expect 9\\d\\d\u2009mV peak to peak"),
                run.get("advice").get("sentence").asString());
        does("KEY");
        does("READ", "role", "OUTPUT", "text", "40");
        does("READ", "role", "OUTPUT_VPP", "text", "100");
        does("READ", "role", "GATE_RF", "text", "1");
        does("UNKEY");
        does("FOLLOW");
        String says = run.at("/chain/says").toString();
        assertTrue(says.contains("they disagree beyond what both leave open"), says);
        does("ABANDON");
    }

    @Test
    public void aWayUpWithoutALoadOrWithABadPartIsRefused() {
        Map<String, Object> onTheAir = start(chain("WATT", "0.1", "50"));
        onTheAir.put("band", "MHZ_7");
        onTheAir.put("frequency", "7.1");
        onTheAir.put("terminationId", equipmentId("Yardarm"));
        assertTrue(post("/api/runs", onTheAir).text().contains("NEEDS_DUMMY_LOAD"));
        Map<String, Object> without = start(chain("WATT", "0.1", "50"));
        without.remove("chain");
        assertTrue(post("/api/runs", without).text().contains("practice.chain"));
        Map<String, Object> bad = chain("WATT", "0.1", "50");
        bad.put("parts", List.of(part("Pad", "PAD", "-3", "", "")));
        Reply refused = post("/api/runs", start(bad));
        assertEquals(refused.status(), 422);
        assertEquals(refused.json().at("/problems/0/field").asString(), "parts.0.decibels");
    }

    @Test
    public void aPadSaysWhatAMistakeDoesAndIsMeasured() {
        Map<String, Object> pads = new LinkedHashMap<>(Map.of("exciter", "100", "wanted", "1.5", "inputMost", "3"));
        JsonNode view = post("/api/drive/pads", pads).json();
        assertEquals(view.get("exact").asString(), "18.2");
        assertEquals(view.get("title").asString(), "A pad of 16 dB, exciter to 59.7\u2009W");
        assertFalse(view.at("/pads/2/reaches").asBoolean(), "20 dB is too much");
        assertTrue(view.at("/pads/0/risky").asBoolean());
        assertTrue(view.at("/pads/0/mistake").asString().contains("above what the input stands"));
        assertFalse(view.at("/pads/2/risky").asBoolean(), "1 W is below 3 W");
        pads.put(
                "measured",
                Map.of("without", "10", "withoutScale", "15", "with", "2.5", "withScale", "5", "percent", "5"));
        view = post("/api/drive/pads", pads).json();
        // 1.96 · 0.313 dB.
        assertEquals(view.get("measured").asString(), "6.0\u2009±\u20090.6");
        assertEquals(view.at("/ofMeasured/attenuation").asString(), "6.02");
        pads.put(
                "measured",
                Map.of("without", "10", "withoutScale", "15", "with", "12", "withScale", "15", "percent", "5"));
        assertEquals(
                post("/api/drive/pads", pads).json().at("/problems/0/field").asString(), "measured.with");
    }
}
