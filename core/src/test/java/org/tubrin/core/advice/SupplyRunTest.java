package org.tubrin.core.advice;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.run.ClimbEnd;
import org.tubrin.core.run.Conditions;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Rungs;
import org.tubrin.core.run.School;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.SupplySteps;
import org.tubrin.core.run.TuneSettings;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.signs.Sign;
import org.tubrin.core.signs.Signs;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Stage;
import org.tubrin.core.switching.SinkHeat;
import org.tubrin.core.switching.SupplyLaw;

/** A stage that switches, brought up by its supply by a person who only does what the next move says. */
public class SupplyRunTest {
    private static final double RATED_W = 300;
    private static final double MOST_V = 48;
    private static final Stage.Switching STAGE = new Stage.Switching(2, 12, MOST_V, 12, 3, Optional.of(0.6));
    private static final Meter METERS = new Meter(
            "Panel",
            List.of(
                    Sample.channel(ReadingRole.OUTPUT, ScaleUnit.W, 0.02, new MeterRange("500 W", 500)),
                    Sample.channel(ReadingRole.SUPPLY_VOLTAGE, ScaleUnit.V, 0.002, new MeterRange("60 V", 60)),
                    Sample.channel(ReadingRole.SUPPLY_CURRENT, ScaleUnit.A, 0.005, new MeterRange("20 A", 20)),
                    Sample.channel(ReadingRole.HEAT_SINK, ScaleUnit.C, 0.01, new MeterRange("120", 120))));

    private final List<Recorded> events = new ArrayList<>();
    private Instant now = Instant.EPOCH;
    private double efficiency;
    private double sinkC;
    /** Output per square volt against what the claim says. */
    private double share;
    /** What comes of the volts that the supply's own scale shows. */
    private double scale;
    /** Below this nothing is seen on the wattmeter. */
    private double restsBelowW;

    @BeforeMethod
    public void well() {
        now = Instant.parse("2026-11-28T10:00:00Z");
        efficiency = 0.92;
        share = 0.9;
        scale = 1;
        restsBelowW = 0;
        sinkC = 30;
    }

    private static TuneSetup setup(Customs customs) {
        Amplifier lugger = new Amplifier(
                "Lugger",
                STAGE,
                5,
                RATED_W,
                Optional.empty(),
                List.of(Band.KHZ_472),
                List.of(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
        return new TuneSetup(
                        Sample.STATION,
                        lugger,
                        Sample.HALYARD,
                        Mode.CW,
                        List.of(METERS),
                        Sample.BALLAST,
                        Band.KHZ_472,
                        475e3,
                        School.SUPPLY_TABLE,
                        Preset.WITHOUT_DIALS,
                        TuneSettings.customaryFor(lugger.stage()),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.of(customs))
                .withinDrive();
    }

    private static Customs wanting(double watt) {
        return Customs.chosen(Optional.<Rungs>empty(), List.of(), Optional.empty(), Optional.of(watt));
    }

    private RunState state() {
        return Replay.of(events);
    }

    private void does(RunEvent event) {
        events.add(new Recorded(events.size() + 1, now, event));
    }

    private void reads(ReadingRole role, double value) {
        String text = String.format("%.3f", value);
        does(new RunEvent.ReadingTaken(
                new Reading(
                        role,
                        text,
                        Double.parseDouble(text),
                        METERS.name(),
                        METERS.channel(role).orElseThrow().ranges().get(0).name()),
                true));
    }

    /** Each row it comes to. */
    private List<Step> follows(Customs customs) {
        events.clear();
        does(new RunEvent.Started(setup(customs)));
        while (state().ending().isEmpty()) {
            assertTrue(events.size() < 300, "no end");
            Advice advice = NextMove.of(state(), now);
            if (advice.move() instanceof Move.KeyAndRead) {
                double volts = scale * state().draft().position(Control.SUPPLY).orElseThrow();
                double ofModules = state().draft().position(Control.MODULES).orElseThrow() / STAGE.moduleCount();
                double watt = share * RATED_W * Math.pow(volts / MOST_V * ofModules, 2);
                advice.expect()
                        .ifPresent(expect ->
                                assertTrue(expect.leastW() <= watt && watt <= expect.mostW(), expect + " for " + watt));
                does(new RunEvent.Keyed());
                now = now.plusSeconds(4);
                reads(ReadingRole.OUTPUT, watt < restsBelowW ? 0 : watt);
                reads(ReadingRole.SUPPLY_VOLTAGE, volts);
                reads(ReadingRole.SUPPLY_CURRENT, watt / volts / efficiency);
                reads(ReadingRole.HEAT_SINK, sinkC);
                does(new RunEvent.Unkeyed());
            } else {
                Following.events(advice, now).forEach(this::does);
            }
            now = now.plusSeconds(10);
        }
        return state().steps();
    }

    private static List<Double> volts(List<Step> steps) {
        return steps.stream()
                .map(step -> step.position(Control.SUPPLY).orElseThrow())
                .toList();
    }

    /** 3 dB of output are √2 of the volts: 12, 17, 24, 34, 48. */
    @Test
    public void fromTheLowestVoltageUpByThreeDecibels() {
        List<Step> rows = follows(Customs.CUSTOMARY);
        List<Double> volts = volts(rows);
        assertEquals(volts.size(), 5, volts.toString());
        for (int i = 0; i < volts.size(); i++) {
            assertEquals(volts.get(i), 12 * Math.pow(2, i / 2.0), 0.1, volts.toString());
        }
        assertEquals(state().reached(), Optional.of(ClimbEnd.SUPPLY_AT_TOP));
        assertTrue(rows.stream().allMatch(step -> step.position(Control.DRIVE).orElseThrow() == 2));
        assertTrue(rows.stream().allMatch(step -> step.position(Control.MODULES).orElseThrow() == 3));
    }

    @Test
    public void toAWantedOutputAndNotBeyondWhatItIsRatedFor() {
        List<Step> rows = follows(wanting(100));
        assertEquals(state().reached(), Optional.of(ClimbEnd.WANTED));
        assertEquals(
                rows.get(rows.size() - 1)
                        .measured(ReadingRole.OUTPUT)
                        .orElseThrow()
                        .value(),
                100,
                3);
        share = 2;
        rows = follows(Customs.CUSTOMARY);
        assertEquals(state().reached(), Optional.of(ClimbEnd.RATED));
        assertTrue(rows.stream()
                .allMatch(
                        step -> step.measured(ReadingRole.OUTPUT).orElseThrow().value() <= RATED_W));
    }

    /** A scale that shows 4 % more than there is: what is asked for is what brings the output, not what is read. */
    @Test
    public void aSupplyWhoseScaleIsOffComesToTheSameOutput() {
        scale = 0.96;
        List<Step> rows = follows(wanting(100));
        Step last = rows.get(rows.size() - 1);
        assertEquals(last.measured(ReadingRole.OUTPUT).orElseThrow().value(), 100, 3);
        assertEquals(
                last.position(Control.SUPPLY).orElseThrow(), MOST_V * Math.sqrt(100 / (share * RATED_W)) / 0.96, 0.5);
        scale = 0.93;
        follows(Customs.CUSTOMARY);
        assertEquals(state().reached(), Optional.of(ClimbEnd.SUPPLY_AT_TOP));
        assertTrue(
                state().steps().stream()
                        .allMatch(step -> step.position(Control.SUPPLY).orElseThrow() <= MOST_V),
                "its own scale may be the one that is right");
    }

    /** A needle that does not lift yet says nothing of the law of volts. */
    @Test
    public void rowsWithoutOutputBendNothing() {
        restsBelowW = 9;
        share = 0.45;
        List<Step> rows = follows(wanting(100));
        assertEquals(rows.get(0).measured(ReadingRole.OUTPUT).orElseThrow().value(), 0, 1e-9);
        assertTrue(SupplyLaw.departure(SupplySteps.rows(rows, 3)).isEmpty());
        assertEquals(state().reached(), Optional.of(ClimbEnd.WANTED));
    }

    /** 92 % is no lie of a meter here, 70 % is nothing to be content with. */
    @Test
    public void anEfficiencyOfItsOwn() {
        assertFalse(signs(follows(Customs.CUSTOMARY)).contains(Sign.Code.EFFICIENCY_TOO_HIGH));
        assertFalse(signs(state().steps()).contains(Sign.Code.EFFICIENCY_LOW));
        efficiency = 0.7;
        List<Step> rows = new ArrayList<>();
        events.clear();
        does(new RunEvent.Started(setup(Customs.CUSTOMARY)));
        while (rows.isEmpty()) {
            Advice advice = NextMove.of(state(), now);
            if (advice.move() instanceof Move.KeyAndRead) {
                does(new RunEvent.Keyed());
                reads(ReadingRole.OUTPUT, 84);
                reads(ReadingRole.SUPPLY_VOLTAGE, 12);
                reads(ReadingRole.SUPPLY_CURRENT, 10);
                reads(ReadingRole.HEAT_SINK, 30);
                does(new RunEvent.Unkeyed());
                rows.add(state().draft());
            } else {
                Following.events(advice, now).forEach(this::does);
            }
            now = now.plusSeconds(10);
        }
        assertTrue(signs(rows).contains(Sign.Code.EFFICIENCY_LOW));
    }

    private static List<Sign.Code> signs(List<Step> steps) {
        return steps.stream()
                .flatMap(step -> Signs.of(step, Optional.empty()).stream())
                .map(Sign::code)
                .toList();
    }

    /** 270 W of 293.5 W leave 23.5 W of heat: 0.6 K/W above 20 °C are 34 °C; 60 °C are fed by something else. */
    @Test
    public void whatTheSinkComesTo() {
        follows(Customs.CUSTOMARY);
        SinkHeat sink = SupplySteps.sink(state().lastStep().orElseThrow(), state().conditions())
                .orElseThrow();
        assertEquals(sink.expectedC().value(), 20 + 0.6 * 270 * (1 / 0.92 - 1), 0.1);
        assertFalse(sink.isHotter());
        does(new RunEvent.ConditionsNoted(new Conditions(Optional.empty(), Optional.of(35.0), Optional.empty())));
        assertEquals(
                SupplySteps.sink(state().lastStep().orElseThrow(), state().conditions())
                        .orElseThrow()
                        .expectedC()
                        .value(),
                sink.expectedC().value() + 15,
                1e-9,
                "a room of 35 °C");
        sinkC = 60;
        follows(Customs.CUSTOMARY);
        assertTrue(SupplySteps.sink(state().steps().get(0), state().conditions())
                .orElseThrow()
                .isHotter());
    }

    /** With a module less the table of the others says nothing: from the lowest voltage again. */
    @Test
    public void eachNumberOfModulesHasRowsOfItsOwn() {
        follows(Customs.CUSTOMARY.withModules(2));
        assertTrue(state().steps().stream()
                .allMatch(step -> step.position(Control.MODULES).orElseThrow() == 2));
        List<Step> rows = state().steps();
        assertEquals(SupplySteps.next(state().setup(), rows, 1).orElseThrow().supplyV(), STAGE.leastSupplyDcV(), 1e-9);
        assertTrue(SupplySteps.next(state().setup(), rows, 2).isEmpty());
        assertEquals(
                expectThrows(Refused.class, () -> setup(Customs.CUSTOMARY.withModules(4)))
                        .problems()
                        .get(0)
                        .path(),
                "modules");
    }

    @Test
    public void aCurrentThatIsNearItsLimitEndsTheTable() {
        efficiency = 0.5;
        share = 1.3;
        follows(Customs.CUSTOMARY);
        assertTrue(state().steps().stream()
                .allMatch(step ->
                        step.measured(ReadingRole.SUPPLY_CURRENT).orElseThrow().value() <= 12));
        assertEquals(state().reached(), Optional.of(ClimbEnd.LIMIT_NEAR));
    }
}
