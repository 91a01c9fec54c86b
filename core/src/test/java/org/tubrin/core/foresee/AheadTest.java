package org.tubrin.core.foresee;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.budget.LimitKind;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.Ladder;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Station;
import org.tubrin.core.twin.Twins;

public class AheadTest {
    private static TuneSetup setup(double licenceW) {
        return Sample.setup(
                Sample.BRIGANTINE.withTwin(Twins.BRIGANTINE),
                new Station("S", "", licenceW, 20, Optional.empty()),
                Sample.BALLAST);
    }

    @Test
    public void theStairIsTheLadderAndRises() {
        TuneSetup setup = setup(1000);
        Ahead ahead = Ahead.of(setup);
        assertEquals(ahead.rungs().stream().map(Ahead.Rung::driveW).toList(), Ladder.drivesW(setup, setup.school()));
        assertEquals(ahead.carrierS(), 5.0 * ahead.rungs().size(), 1e-9, "five key-downs of 5 s");
        double last = 0;
        for (Ahead.Rung rung : ahead.rungs()) {
            assertTrue(rung.outputW().orElseThrow() > last, "more drive, more output: " + rung);
            last = rung.outputW().orElseThrow();
        }
        assertEquals(last, 889, 5, "70 W, tuned, by the circuit simulator");
    }

    @Test
    public void theStairEndsWhereTheOutputIsThere() {
        TuneSetup speech = setup(1000);
        TuneSetup carrier =
                speech.chosen(Customs.chosen(Optional.empty(), List.of(), Optional.empty(), Optional.of(450.0)));
        List<Ahead.Rung> rungs = Ahead.of(carrier).rungs();
        Ahead.Rung last = rungs.get(rungs.size() - 1);
        assertEquals(last.outputW().orElseThrow(), 450, 15, "what is wanted of a long carrier");
        assertEquals(
                rungs.subList(0, rungs.size() - 1),
                Ahead.of(speech).rungs().subList(0, rungs.size() - 1),
                "the same way up to there");
        double speechHeatW = Ahead.of(speech).end().get(0).value();
        assertTrue(
                Ahead.of(carrier).end().get(0).value() < speechHeatW - 30, "dials of its own keep the plates cooler");
        List<Ahead.Rung> licensed = Ahead.of(setup(500)).rungs();
        assertEquals(licensed.get(licensed.size() - 1).outputW().orElseThrow(), 500, 15, "the licence ends it as well");
    }

    @Test
    public void theClosestLimitIsSaidBesideTheHeat() {
        List<Ahead.Against> wide = Ahead.of(setup(1500)).end();
        assertEquals(wide.get(0).kind(), LimitKind.HEAT_PER_TUBE);
        // 0.578 of 0.66 A is nearer than 285 of 350 W.
        assertEquals(wide.get(1).kind(), LimitKind.PLATE_CURRENT);
        assertEquals(Ahead.of(setup(900)).end().get(1).kind(), LimitKind.OUTPUT, "872 of 900 W");
    }

    @Test
    public void withoutATwinNothingIsForetold() {
        Ahead ahead = Ahead.of(Sample.setup());
        assertTrue(ahead.rungs().stream().allMatch(rung -> rung.outputW().isEmpty()));
        assertEquals(ahead.end(), List.of());
    }
}
