package org.tubrin.bench.campaign.kinds;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Small campaigns of another seed than the reports', held to what these claim. */
public class KindCampaignTest {
    private static final long SEED = 4711;
    private static final Map<String, Integer> CASES =
            Map.of("matcher", 80, "chain", 80, "supply", 80, "resonance", 24, "waveform", 80);

    private final Map<String, List<Played>> played = new HashMap<>();

    private enum Of {
        MEDIAN,
        P95,
        MOST
    }

    @BeforeClass
    public void plays() {
        CASES.forEach((kind, cases) -> played.put(kind, KindCampaign.run(KindCampaign.of(kind), cases, SEED)));
    }

    /** Kind, metric, which of its figures (a share has one), least, most. */
    @DataProvider
    public Object[][] claims() {
        return new Object[][] {
            {"matcher", "right", Of.MEDIAN, 88, 100},
            {"matcher", "hot", Of.MEDIAN, 0, 0},
            {"matcher", "left_swr", Of.MOST, 1, 1.5},
            {"matcher", "key_downs", Of.P95, 3, 12},
            {"chain", "beyond_db", Of.MOST, 0, 0.3},
            {"chain", "over_input", Of.MEDIAN, 0, 0},
            {"chain", "fault_named", Of.MEDIAN, 85, 100},
            {"chain", "false_alarm", Of.MEDIAN, 0, 2},
            {"chain", "compressed_db", Of.MOST, 0, 2},
            {"supply", "within_5", Of.MEDIAN, 96, 100},
            {"supply", "over_rating", Of.MEDIAN, 0, 0},
            {"supply", "over_current", Of.MEDIAN, 0, 0},
            {"supply", "bent_falsely", Of.MEDIAN, 0, 3},
            {"supply", "expected_held", Of.MEDIAN, 95, 100},
            {"supply", "ended", Of.MEDIAN, 97, 100},
            {"resonance", "off_of_alarm", Of.MEDIAN, 0, 0.3},
            {"resonance", "beyond_percent", Of.MEDIAN, 0, 0.5},
            {"resonance", "stopped_falsely", Of.MEDIAN, 0, 0},
            {"waveform", "third_off_db", Of.P95, 0, 2},
            {"waveform", "rough_found", Of.MEDIAN, 95, 100},
            {"waveform", "rough_falsely", Of.MEDIAN, 0, 2},
            {"waveform", "hum_found", Of.MEDIAN, 95, 100},
            {"waveform", "hum_falsely", Of.MEDIAN, 0, 2},
            {"waveform", "probe_found", Of.MEDIAN, 85, 100},
            {"waveform", "probe_falsely", Of.MEDIAN, 0, 4},
        };
    }

    private double[] figures(String kind, String metric, String procedure) {
        Kind.Metric named = KindCampaign.of(kind).metrics().stream()
                .filter(one -> one.name().equals(metric))
                .findFirst()
                .orElseThrow();
        return KindCampaign.figures(named, played.getOrDefault(kind, List.of()), procedure);
    }

    @Test(dataProvider = "claims")
    public void whatIsClaimedHolds(String kind, String metric, Of which, double least, double most) {
        double[] sorted = figures(kind, metric, Kind.TUBRIN);
        Map<Of, Double> shares = new EnumMap<>(Map.of(Of.MEDIAN, 0.5, Of.P95, 0.95, Of.MOST, 1.0));
        double found = org.tubrin.bench.campaign.Tables.at(sorted, shares.getOrDefault(which, 1.0));
        assertTrue(sorted.length > 0 && found >= least && found <= most, metric + " " + which + ": " + found);
    }

    /** What is compared with does its job; it is beaten where it believes what it did not read. */
    @Test
    public void thePlainProceduresAreNoStrawMen() {
        assertTrue(figures("matcher", "right", "the order by hand")[0] > 65);
        assertTrue(figures("matcher", "hot", "the order by hand")[0] > 5, "it tunes into an amplifier that is on");
        assertTrue(figures("supply", "within_5", "by the claim")[0] > 85);
        double[] off = figures("resonance", "off_of_alarm", "a reading each time");
        assertTrue(off[off.length / 2] < 0.5);
    }

    @Test(dataProvider = "kinds")
    public void theTableOfFiguresHasItsForm(String kind) {
        String csv = KindCampaign.csv(KindCampaign.of(kind), played.getOrDefault(kind, List.of()));
        assertTrue(csv.startsWith("procedure,metric,median,p95,max\ntubrin,"), csv);
        csv.lines().skip(1).forEach(line -> assertTrue(line.matches("[^,]+,[a-z0-9_]+(,-?\\d+\\.\\d\\d){3}"), line));
    }

    @DataProvider
    public Object[][] kinds() {
        return CASES.keySet().stream().map(kind -> new Object[] {kind}).toArray(Object[][]::new);
    }

    @Test
    public void theSameSeedPlaysTheSame() {
        assertEquals(
                KindCampaign.run(KindCampaign.of("matcher"), 10, 7),
                KindCampaign.run(KindCampaign.of("matcher"), 10, 7));
        expectThrows(IllegalArgumentException.class, () -> KindCampaign.of("antenna"));
    }
}
