package org.tubrin.core.run;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.advice.KeyClock;
import org.tubrin.core.budget.LimitKind;
import org.tubrin.core.budget.Verdict;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Stage;

/** A run on an amplifier without dials stands on the same events as one with tubes. */
public class TransistorRunTest {
    private static final Instant NOW = Instant.parse("2026-11-27T19:00:00Z");

    private static final Amplifier DINGHY =
            Sample.transistors("Dinghy 60", new Stage.Transistors(13.8, 10), 5, 60, Optional.empty());

    private static final Meter SHUNT = new Meter(
            "Shunt",
            List.of(
                    Sample.channel(ReadingRole.SUPPLY_CURRENT, ScaleUnit.A, 0.01, Sample.range("20 A", 20)),
                    Sample.channel(ReadingRole.SUPPLY_VOLTAGE, ScaleUnit.V, 0.01, Sample.range("20 V", 20))));

    private static TuneSetup setup(School school) {
        return new TuneSetup(
                Sample.STATION,
                DINGHY,
                Sample.HALYARD,
                Mode.CW,
                List.of(Sample.FATHOM, SHUNT),
                Sample.BALLAST,
                Band.MHZ_7,
                7.1e6,
                school,
                Preset.WITHOUT_DIALS,
                TuneSettings.customaryFor(DINGHY.stage()),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    private static RunState run(RunEvent... events) {
        List<Recorded> recorded = new java.util.ArrayList<>();
        recorded.add(new Recorded(1, NOW, new RunEvent.Started(setup(School.DRIVE_TABLE))));
        for (RunEvent event : events) {
            recorded.add(new Recorded(recorded.size() + 1, NOW.plusSeconds(recorded.size()), event));
        }
        return Replay.of(recorded);
    }

    private static RunEvent reads(ReadingRole role, double value, String meter, String range) {
        return new RunEvent.ReadingTaken(new Reading(role, Double.toString(value), value, meter, range), false);
    }

    @Test
    public void itStartsWithNothingOfTubesInIt() {
        RunState empty = run();
        assertEquals(empty.setup().stage().controls(), List.of(Control.DRIVE));
        assertEquals(
                empty.setup().rolesAsked(),
                List.of(ReadingRole.OUTPUT, ReadingRole.SUPPLY_CURRENT, ReadingRole.SUPPLY_VOLTAGE));
        List<Check> asked = Preflight.of(empty.setup());
        assertEquals(
                asked,
                List.of(
                        Check.LIMITS_READ,
                        Check.PATH_WIRED,
                        Check.BAND_SWITCH,
                        Check.LOAD_IN_LINE,
                        Check.METER_RANGE,
                        Check.AIR_MOVING,
                        Check.BYPASS_PROVEN,
                        Check.OPERATE));
        assertEquals(empty.warmUpLeftS(NOW), 0.0, "nothing warms");
        assertEquals(empty.phase(NOW), RunState.Phase.PREFLIGHT);
        assertEquals(empty.draft().room(), List.of());
        assertEquals(KeyClock.of(empty, NOW).phase(), KeyClock.Phase.IDLE);
        RunState ready = run(asked.stream().map(RunEvent.Checked::new).toArray(RunEvent[]::new));
        assertEquals(ready.phase(NOW.plusSeconds(60)), RunState.Phase.CLIMBING);
    }

    @Test
    public void itTakesOnlyWhatIsThere() {
        RunState empty = run();
        assertEquals(
                Admission.refusals(empty, new RunEvent.DialMoved(Control.PLATE, "5", 5), NOW)
                        .get(0)
                        .code(),
                ProblemCode.UNKNOWN_NAME);
        assertEquals(Admission.refusals(empty, new RunEvent.DialMoved(Control.DRIVE, "2", 2), NOW), List.of());
        assertFalse(Admission.refusals(empty, new RunEvent.SchoolChosen(School.DIP_AND_LOAD), NOW)
                .isEmpty());
        assertFalse(Admission.refusals(empty, reads(ReadingRole.PLATE_CURRENT, 0.4, "Brigantine panel", "1 A"), NOW)
                .isEmpty());
        assertEquals(
                expectThrows(Refused.class, () -> setup(School.PEAK_THEN_HEAVIER))
                        .problems()
                        .get(0)
                        .path(),
                "school");
        assertFalse(School.DRIVE_TABLE.suits(Sample.BRIGANTINE_STAGE));
    }

    /** 13.6 V · 8 A = 108.8 W in, 60 W out, 4 W of drive: 55.1 %, 48.8 W or with the drive 52.8 W of heat, 11.76 dB. */
    @Test
    public void aStepIsReckonedByWhatTheSupplyGives() {
        RunState state = run(
                new RunEvent.DialMoved(Control.DRIVE, "4", 4),
                new RunEvent.Keyed(),
                reads(ReadingRole.OUTPUT, 60, "Fathom", "150 W"),
                reads(ReadingRole.SUPPLY_CURRENT, 8, "Shunt", "20 A"),
                reads(ReadingRole.SUPPLY_VOLTAGE, 13.6, "Shunt", "20 V"),
                new RunEvent.Unkeyed());
        Step draft = state.draft();
        assertTrue(draft.isComplete(), "no dial is asked for");
        assertEquals(draft.budget().dcInputW().orElseThrow().value(), 108.8, 1e-9);
        assertEquals(draft.efficiency().orElseThrow().value(), 60 / 108.8, 1e-9);
        assertEquals(draft.budget().heatPerDeviceW().orElseThrow().value(), 48.8, 1e-9);
        assertEquals(draft.budget().heatPerDeviceCorrectedW().orElseThrow().value(), 52.8, 1e-9);
        assertEquals(draft.budget().gainDb().orElseThrow().value(), 10 * Math.log10(15), 1e-9);
        assertEquals(draft.budget().sag().orElseThrow().value(), 0.2 / 13.8, 1e-9);
        assertEquals(draft.room().get(0).kind(), LimitKind.RATED_OUTPUT);
        assertEquals(draft.room().get(1).kind(), LimitKind.SUPPLY_CURRENT);
        assertEquals(draft.room().get(1).verdict(), Verdict.WITHIN);
        RunState over = run(
                new RunEvent.DialMoved(Control.DRIVE, "4", 4),
                reads(ReadingRole.SUPPLY_CURRENT, 10.5, "Shunt", "20 A"));
        assertEquals(over.draft().room().get(0).verdict(), Verdict.EXCEEDS);
    }

    @Test
    public void aSlipOfTheSupplysReadingIsAskedAbout() {
        RunState state = run(reads(ReadingRole.SUPPLY_VOLTAGE, 1.38, "Shunt", "20 V"));
        assertEquals(state.doubt(ReadingRole.SUPPLY_VOLTAGE), Optional.of(Doubt.TENFOLD_LOW));
    }
}
