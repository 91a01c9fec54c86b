package org.tubrin.core.drive;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.advice.Advice;
import org.tubrin.core.advice.Following;
import org.tubrin.core.advice.Move;
import org.tubrin.core.advice.NextMove;
import org.tubrin.core.advice.Reason;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.run.ClimbEnd;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.Ladder;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.SeenSign;
import org.tubrin.core.run.Trip;
import org.tubrin.core.run.TuneSettings;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Load;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Stage;
import org.tubrin.core.twin.SaturationLaw;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.Transistors;
import org.tubrin.core.twin.Twins;

/** A table for Ketch 600, whose meters show what its twin gives: by hand where it can be. */
public class DriveTableTest {
    private static final Instant NOW = Instant.parse("2026-11-27T19:00:00Z");

    private static final Amplifier KETCH = new Amplifier(
            "Ketch 600",
            new Stage.Transistors(50, 24),
            14,
            600,
            Optional.empty(),
            List.of(Band.MHZ_3_5, Band.MHZ_7, Band.MHZ_18, Band.MHZ_24),
            List.of(),
            Optional.empty(),
            Optional.of(Transistors.KETCH.constants()),
            Optional.empty(),
            Optional.empty());

    private static final Meter LEAD = new Meter(
            "Lead", List.of(Sample.channel(ReadingRole.INPUT_POWER, ScaleUnit.W, 0.001, Sample.range("20 W", 20))));

    private final List<Recorded> events = new ArrayList<>();
    private Instant now = NOW;
    /** What reaches the input, over what the exciter shows. */
    private double shown = 1;
    /** What the output is of what it should be. */
    private double outputShare = 1;

    /** What reaches the input at most, in watts. */
    private double mostW = 100;

    private Mode mode = Mode.CW;
    private boolean filtered = true;

    /** What the exciter can be set to at least, in watts. */
    private double leastW = 1;

    private TuneSetup setup(Band band, Optional<Double> wantedW) {
        Customs customs = Customs.chosen(Optional.empty(), List.of(), Optional.empty(), wantedW);
        return new TuneSetup(
                Sample.STATION,
                KETCH,
                new Exciter(
                        "Halyard",
                        leastW,
                        100,
                        0.05,
                        0.03,
                        List.of(),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty()),
                mode,
                List.of(Sample.FATHOM, LEAD),
                new Load("Ballast", 50, 1500, Optional.empty()),
                band,
                band.lowestHz(),
                School.DRIVE_TABLE,
                Preset.WITHOUT_DIALS,
                TuneSettings.customaryFor(KETCH.stage()),
                Optional.empty(),
                Optional.empty(),
                Optional.of(filtered ? customs : customs.withoutFilter()));
    }

    @BeforeMethod
    public void theExciterShowsWhatItGives() {
        shown = 1;
        mostW = 100;
        outputShare = 1;
        leastW = 1;
        mode = Mode.CW;
        filtered = true;
    }

    private RunState state() {
        return Replay.of(events);
    }

    private void does(RunEvent event) {
        events.add(new Recorded(events.size() + 1, now, event));
    }

    private static double outputW(Band band, double driveW) {
        return Twins.settled(Transistors.KETCH.at(new Setting(band, band.lowestHz(), driveW, 0, 0, 50, 0)))
                .outputW();
    }

    /** Follows the next move until the run ends; the first key-down beyond a drive trips. Returns the reasons of the turns. */
    private List<Reason> climbs(Band band, Optional<Double> wantedW, double tripsAboveW) {
        return climbs(band, wantedW, tripsAboveW, key -> {});
    }

    private List<Reason> climbs(
            Band band, Optional<Double> wantedW, double tripsAboveW, Consumer<Move.KeyAndRead> told) {
        events.clear();
        does(new RunEvent.Started(setup(band, wantedW)));
        List<Reason> turns = new ArrayList<>();
        for (int i = 0; i < 100 && state().ending().isEmpty(); i++) {
            now = now.plusSeconds(15);
            Advice advice = NextMove.of(state(), now);
            if (advice.move() instanceof Move.Turn) {
                turns.add(advice.reason());
            }
            if (advice.move() instanceof Move.KeyAndRead key) {
                assertTrue(key.driveW() <= 14.001, "never beyond its limit: " + key.driveW());
                told.accept(key);
                does(new RunEvent.Keyed());
                now = now.plusSeconds(3);
                if (key.driveW() > tripsAboveW) {
                    does(new RunEvent.Unkeyed());
                    does(new RunEvent.SignSeen(SeenSign.TRIP_INPUT));
                } else {
                    double driveW = Math.min(mostW, shown * key.driveW());
                    reads(ReadingRole.INPUT_POWER, driveW, "Lead", "20 W");
                    double output = outputShare * outputW(band, driveW);
                    reads(ReadingRole.OUTPUT, output, "Fathom", state().ranges().get(ReadingRole.OUTPUT));
                    does(new RunEvent.Unkeyed());
                }
            } else {
                Following.events(advice, now).forEach(this::does);
            }
        }
        return turns;
    }

    /** Rows on one range of the meter, at drives of one's own. */
    private void rows(Band band, double wantedW, double... drivesW) {
        events.clear();
        does(new RunEvent.Started(setup(band, Optional.of(wantedW))));
        while (!(NextMove.of(state(), now).move() instanceof Move.Turn)) {
            Following.events(NextMove.of(state(), now), now).forEach(this::does);
        }
        does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW"));
        for (double driveW : drivesW) {
            now = now.plusSeconds(15);
            does(new RunEvent.DialMoved(Control.DRIVE, "", driveW));
            does(new RunEvent.Keyed());
            now = now.plusSeconds(3);
            reads(ReadingRole.INPUT_POWER, driveW, "Lead", "20 W");
            reads(ReadingRole.OUTPUT, outputW(band, driveW), "Fathom", "1.5 kW");
            does(new RunEvent.Unkeyed());
            does(new RunEvent.StepRecorded());
        }
    }

    private void reads(ReadingRole role, double value, String meter, String range) {
        does(new RunEvent.ReadingTaken(new Reading(role, Double.toString(value), value, meter, range), false));
    }

    private DriveBand table() {
        return DriveBand.of(state()).orElseThrow();
    }

    @Test
    public void fourKeyDownsOfThreeDecibelsFromTheLeastDrive() {
        List<Reason> turns = climbs(Band.MHZ_18, Optional.empty(), 100);
        assertEquals(turns.get(0), Reason.LEAST_DRIVE_FIRST);
        assertEquals(turns.subList(1, 3), List.of(Reason.THREE_DECIBELS, Reason.THREE_DECIBELS));
        assertEquals(turns.size(), 4);
        assertEquals(state().steps().size(), 4);
        assertEquals(state().reached(), Optional.of(ClimbEnd.FULL_DRIVE));
        // 325 W of 12 W by the reference: 14.33 dB.
        DriveBand table = table();
        assertEquals(table.outputAtW(12).orElseThrow(), 325, 3);
        assertEquals(table.driveFor(325).driveW().orElseThrow().value(), 12, 0.1);
        assertEquals(table.driveFor(325).basis(), DriveFor.Basis.MEASURED);
        assertEquals(table.driveFor(420).basis(), DriveFor.Basis.OVER_LIMIT);
    }

    @Test
    public void itStopsWhereTheMeterLeavesOpenWhetherTheRatingIsPassed() {
        climbs(Band.MHZ_3_5, Optional.empty(), 100);
        assertEquals(state().reached(), Optional.of(ClimbEnd.RATED));
        double last = state().lastStep()
                .orElseThrow()
                .measured(ReadingRole.OUTPUT)
                .orElseThrow()
                .value();
        // 5 % of 1500 W: 1.96 · 75 / √3 = 85 W below 600 W.
        assertTrue(last > 440 && last < 530, "last " + last);
    }

    @Test
    public void itEndsAtTheWantedOutput() {
        List<Reason> turns = climbs(Band.MHZ_7, Optional.of(300.0), 100);
        assertEquals(state().reached(), Optional.of(ClimbEnd.WANTED));
        assertTrue(turns.contains(Reason.TO_WANTED_OUTPUT));
        DriveFor wanted = table().driveFor(300);
        double driveW = wanted.driveW().orElseThrow().value();
        assertEquals(outputW(Band.MHZ_7, driveW), 300, 6);
        assertEquals(wanted.setW().orElseThrow(), driveW, 0.02 * driveW);
    }

    /** 420 W lie beyond the third row: the law of the record reaches them at once, where growth that goes on would stop short. */
    @Test
    public void theFourthRowReachesAWantedOutputNearSaturation() {
        climbs(Band.MHZ_7, Optional.of(420.0), 100);
        assertEquals(state().reached(), Optional.of(ClimbEnd.WANTED));
        assertTrue(state().steps().size() <= 4, state().steps().size() + " rows");
        assertEquals(
                outputW(Band.MHZ_7, table().driveFor(420).driveW().orElseThrow().value()), 420, 10);
    }

    /** A first row that is compressed already has less gain than there is below it. */
    @Test
    public void belowTheFirstRowTheGainIsGreater() {
        double atFirstW = outputW(Band.MHZ_3_5, 9);
        rows(Band.MHZ_3_5, atFirstW, 9);
        double wantedW = 0.6 * atFirstW;
        DriveFor wanted = table().driveFor(wantedW);
        assertEquals(wanted.basis(), DriveFor.Basis.LAW);
        double driveW = wanted.driveW().orElseThrow().value();
        assertTrue(driveW < 0.55 * 9, "in proportion it would be 5.4 W: " + driveW);
        assertEquals(outputW(Band.MHZ_3_5, driveW), wantedW, 0.05 * wantedW);
    }

    /** Rows at 5.6 and 7.5 W on either side of 300 W: a key-down between them would tell nothing more. */
    @Test
    public void rowsCloseOnEitherSideAreEnough() {
        double wantedW = outputW(Band.MHZ_7, 5.6) + 40;
        rows(Band.MHZ_7, wantedW, 1.4, 2.8, 5.6, 7.5);
        assertEquals(state().reached(), Optional.of(ClimbEnd.WANTED));
        assertEquals(
                outputW(
                        Band.MHZ_7,
                        table().driveFor(wantedW).driveW().orElseThrow().value()),
                wantedW,
                0.02 * wantedW);
        rows(Band.MHZ_7, wantedW, 1.4, 2.8, 7.5);
        assertEquals(state().reached(), Optional.empty(), "far apart they are not");
    }

    /** The mark of the scale next to 14 W over 1.056 is 13.5 W, which is more than 14 W at the input; 13 W is not. */
    @Test
    public void aScaleThatShowsTooLittleIsSetToTheMarkBelow() {
        shown = 1.0559;
        List<Double> set = new ArrayList<>();
        climbs(Band.MHZ_18, Optional.empty(), 100, key -> set.add(key.driveW()));
        assertTrue(state().ending().isPresent(), "it ends: " + set);
        assertEquals(set.size(), state().steps().size(), "no key-down twice: " + set);
        state().steps().forEach(step -> assertTrue(step.driveW().value() <= 14.0));
    }

    @Test
    public void aTripIsAReadingThatCapsWhatIsAdvised() {
        climbs(Band.MHZ_18, Optional.empty(), 5.2);
        assertEquals(state().trips().size(), 1);
        double tripW = state().trips().get(0).driveW().value();
        assertEquals(tripW, 7, 0.3);
        assertEquals(state().reached(), Optional.of(ClimbEnd.TRIPPED));
        DriveBand table = table();
        assertEquals(table.tripW().orElseThrow(), tripW);
        assertTrue(table.rows().stream().allMatch(row -> row.driveW().value() <= 0.7 * tripW + 0.05));
        assertEquals(table.driveFor(250).basis(), DriveFor.Basis.TRIPS);
        assertTrue(table.driveFor(80).driveW().isPresent());
        // The first key-down after it is a short one at a quarter.
        assertTrue(table.rows().get(0).driveW().value() < 2);
    }

    /** From 4 W on the input stays where it is, whatever is set: the table ends there, and says from which output on. */
    @Test
    public void anExciterThatIsHeldBackEndsTheTable() {
        mostW = 4.2;
        List<Double> set = new ArrayList<>();
        climbs(Band.MHZ_18, Optional.empty(), 100, key -> set.add(key.driveW()));
        assertEquals(state().reached(), Optional.of(ClimbEnd.HELD_BACK), "set " + set);
        assertEquals(set, List.of(1.8, 3.6, 7.2), "7.2 W that bring 4.2 W are the last");
        DriveBand.Held held = table().heldBack().orElseThrow();
        assertEquals(held.outputW().value(), outputW(Band.MHZ_18, 4.2), 1);
        assertFalse(held.mayFoldBack());
    }

    @Test
    public void anExciterThatIsFreeIsNot() {
        shown = 1.05;
        climbs(Band.MHZ_18, Optional.empty(), 100);
        assertTrue(table().heldBack().isEmpty());
    }

    private static DriveRow row(double driveW, double outputW, Optional<Double> heatW) {
        Quantity drive = Quantity.exact(driveW, Unit.WATT, Standing.MEASURED);
        Quantity output = Quantity.exact(outputW, Unit.WATT, Standing.MEASURED);
        return new DriveRow(
                driveW,
                drive,
                output,
                Optional.of(output.over(drive, Unit.ONE).inDecibels()),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                heatW.map(heat -> Quantity.exact(heat, Unit.WATT, Standing.COMPUTED)),
                Optional.empty());
    }

    private DriveBand byHand(Trip... trips) {
        return new DriveBand(
                setup(Band.MHZ_7, Optional.empty()),
                NOW,
                List.of(
                        row(1, 100, Optional.empty()),
                        row(2, 200, Optional.empty()),
                        row(4, 320, Optional.empty()),
                        row(8, 480, Optional.of(520.0))),
                List.of(trips));
    }

    @Test
    public void compressionCountsFromTheGreatestGain() {
        DriveBand table = byHand();
        assertEquals(
                table.greatestGain().flatMap(DriveRow::gainDb).orElseThrow().value(), 20, 1e-9);
        double[] compressedDb = {0, 0, 0.969, 2.218};
        for (int i = 0; i < compressedDb.length; i++) {
            assertEquals(table.compressionDb(table.rows().get(i)).orElseThrow().value(), compressedDb[i], 0.001);
        }
        // 0.031 of 1.249 dB of the way from 320 to 480 W: 320 · 1.5^0.0247.
        assertEquals(table.compressionW().orElseThrow().value(), 323.2, 0.1);
        DriveBand straight = new DriveBand(table.setup(), NOW, table.rows().subList(0, 3), List.of());
        assertEquals(straight.compressionW(), Optional.empty());
    }

    @Test
    public void belowTheRowsTheLawGoesThroughTheFirst() {
        DriveFor wanted = byHand().driveFor(50);
        assertEquals(wanted.basis(), DriveFor.Basis.LAW);
        // 1 W gave 100 of 870 W: half of that is x = 50/√(870² − 50²) of 100/√(870² − 100²).
        double half = 0.5 * Math.sqrt((870.0 * 870 - 100 * 100) / (870.0 * 870 - 50 * 50));
        assertEquals(wanted.driveW().orElseThrow().value(), half, 1e-6);
    }

    /** 480 W out of 1000 W; 120 W out of half of that, as in class B; 0.11 K/W above 20 °C. */
    @Test
    public void theHeatSinkEndsWhereWhatIsNotOutputHeatsIt() {
        assertEquals(byHand().sinkAt(480).orElseThrow().finalC(), 20 + 0.11 * 520, 1e-9);
        DriveBand.Sink lower = byHand().sinkAt(120).orElseThrow();
        assertEquals(lower.finalC(), 20 + 0.11 * 380, 1e-9);
        assertEquals(lower.timeS(), 180);
    }

    @Test
    public void aFilterThatWasNotInPlaceSaysNothingOfTheDrive() {
        Trip filter = new Trip(SeenSign.TRIP_FILTER, Quantity.exact(6, Unit.WATT, Standing.MEASURED), 2);
        Trip input = new Trip(SeenSign.TRIP_INPUT, Quantity.exact(7, Unit.WATT, Standing.MEASURED), 2);
        assertEquals(byHand(filter).tripW(), Optional.empty());
        assertEquals(byHand(filter).belowTripDb(3.5), Optional.empty());
        DriveBand both = byHand(filter, input);
        assertEquals(both.tripW(), Optional.of(7.0));
        assertEquals(both.capW(), 4.9, 1e-9);
        assertEquals(both.belowTripDb(3.5).orElseThrow(), 3.01, 0.001);
        assertEquals(both.belowTripDb(14).orElseThrow(), -3.01, 0.001);
        // The law is drawn no further than trips let it, or the wanted output.
        assertEquals(both.beyondRows(600), List.of());
        List<SaturationLaw.Row> law = byHand().beyondRows(600);
        assertEquals(law.get(0).driveW(), 8, 1e-9);
        assertEquals(law.get(0).outputW(), 480, 1e-6);
        assertTrue(law.get(law.size() - 1).driveW() <= 14.001);
        assertTrue(law.get(law.size() - 2).outputW() <= 600);
    }

    /** An exciter whose scale shows a tenth too little: the row after a trip is the short one, those above the last are whole. */
    @Test
    public void afterATripOnlyTheWayBackIsAShortKeyDown() {
        shown = 1.1;
        List<Move.KeyAndRead> keyed = new ArrayList<>();
        climbs(Band.MHZ_18, Optional.empty(), 5.2, keyed::add);
        int trip = 0;
        while (keyed.get(trip).driveW() <= 5.2) {
            trip++;
        }
        assertTrue(keyed.get(trip + 1).first(), "the first after it");
        assertTrue(keyed.size() > trip + 2, "it goes up again");
        for (Move.KeyAndRead after : keyed.subList(trip + 2, keyed.size())) {
            assertFalse(after.first(), "at " + after.driveW() + " W");
        }
    }

    @Test
    public void beyondTheRowsTheLawSaysLessSurely() {
        climbs(Band.MHZ_7, Optional.of(200.0), 100);
        DriveBand table = table();
        double greatest = table.rows().get(table.rows().size() - 1).outputW().value();
        DriveFor near = table.driveFor(greatest * 0.9);
        DriveFor beyond = table.driveFor(greatest * 1.5);
        assertEquals(beyond.basis(), DriveFor.Basis.LAW);
        assertEquals(outputW(Band.MHZ_7, beyond.driveW().orElseThrow().value()), greatest * 1.5, 0.12 * greatest);
        assertTrue(share(beyond) > share(near), "less sure");
        assertEquals(table.driveFor(5000).basis(), DriveFor.Basis.UNKNOWN);
    }

    private static double share(DriveFor drive) {
        return drive.driveW().orElseThrow().standardUncertainty()
                / drive.driveW().orElseThrow().value();
    }

    @Test
    public void theGuardTakesTheLowerDriveOfTwoKnownBandsAndTheLeastForAnUnknownOne() {
        climbs(Band.MHZ_3_5, Optional.empty(), 100);
        DriveBand low = table();
        climbs(Band.MHZ_18, Optional.empty(), 100);
        DriveBand high = table();
        List<DriveBand> both = List.of(low, high);
        double inUse18 = BandGuard.uptoW(high, 300);
        double inUse3 = BandGuard.uptoW(low, 300);
        assertTrue(inUse18 > 2.5 * inUse3, "18 MHz wants far more");
        BandGuard down = BandGuard.to(Band.MHZ_3_5, asked(both, inUse18), Optional.empty());
        assertEquals(down.firstW(), inUse3);
        assertEquals(down.because(), BandGuard.Because.LOWER_DRIVE);
        assertTrue(
                down.otherwise().isRisky(),
                "kept, it would be " + down.otherwise().outputW());
        BandGuard up = BandGuard.to(Band.MHZ_18, asked(both, inUse3), Optional.empty());
        assertEquals(up.firstW(), inUse3, "the drive in use is the lower");
        assertEquals(up.uptoW().orElseThrow(), inUse18);
        assertEquals(up.because(), BandGuard.Because.THIS_IS_LESS);
        assertFalse(up.otherwise().isRisky());
        BandGuard unknown = BandGuard.to(Band.MHZ_24, asked(both, inUse18), Optional.empty());
        assertEquals(unknown.firstW(), 14.0 / 8, 0.06);
        assertEquals(unknown.uptoW(), Optional.empty());
        assertEquals(unknown.because(), BandGuard.Because.NEVER_MEASURED);
    }

    private static BandGuard.Asked asked(List<DriveBand> tables, double inUseW) {
        return new BandGuard.Asked(KETCH, DriveKind.CARRIER, tables, Optional.of(inUseW), 300);
    }

    @Test
    public void fromAnUnknownBandItBeginsAtTheLeastDriveOfAllRows() {
        climbs(Band.MHZ_3_5, Optional.empty(), 100);
        DriveBand low = table();
        BandGuard guard = BandGuard.to(
                Band.MHZ_3_5,
                new BandGuard.Asked(KETCH, DriveKind.CARRIER, List.of(low), Optional.empty(), 300),
                Optional.empty());
        assertEquals(guard.firstW(), 14.0 / 8, 1e-9, "as a table begins, which here read 1.8");
        assertEquals(guard.because(), BandGuard.Because.FROM_UNKNOWN);
        assertEquals(guard.uptoW().orElseThrow(), BandGuard.uptoW(low, 300));
        // The exciter may stand at its 100 W: 7 times what the amplifier takes.
        assertEquals(guard.otherwise().comes(), BandGuard.Comes.FULL);
        assertEquals(guard.otherwise().driveW(), 100.0);
        assertTrue(guard.otherwise().isRisky());
    }

    @Test
    public void whatTheExciterRemembersThereIsWhatComesUp() {
        climbs(Band.MHZ_18, Optional.empty(), 100);
        SetBefore left = SetBefore.of(state()).orElseThrow();
        assertEquals(left.mode(), Mode.CW);
        assertEquals(SetBefore.of(state().setup().exciter(), Mode.SSB), Optional.empty(), "its record has none");
        assertEquals(left.setW(), 14.0, 0.51, "the last drive of the table");
        climbs(Band.MHZ_3_5, Optional.empty(), 100);
        DriveBand low = table();
        double inUseW = BandGuard.uptoW(low, 300);
        BandGuard guard = BandGuard.to(Band.MHZ_3_5, asked(List.of(low), inUseW), Optional.of(left));
        assertEquals(guard.otherwise().comes(), BandGuard.Comes.REMEMBERED);
        assertEquals(guard.otherwise().driveW(), left.setW());
        assertTrue(guard.otherwise().isRisky(), "14 W on 3.5 MHz saturates it");
        assertEquals(guard.firstW(), inUseW, 1e-9, "the advice is the same");
        assertEquals(
                BandGuard.to(Band.MHZ_3_5, asked(List.of(low), 20), Optional.of(left))
                        .otherwise()
                        .comes(),
                BandGuard.Comes.KEPT,
                "more is in use than it remembers");
    }

    @Test
    public void aCarrierOfAmStopsAtAQuarterAtTheInputAndAtTheOutput() {
        mode = Mode.AM;
        climbs(Band.MHZ_3_5, Optional.empty(), 100, key -> assertTrue(key.driveW() <= 3.501, "14 W / 4"));
        assertFalse(state().steps().isEmpty());
        state().steps()
                .forEach(step -> assertTrue(
                        step.measured(ReadingRole.OUTPUT).orElseThrow().value() <= 150, "600 W / 4"));
        assertEquals(state().setup().mostOutputW(), 150.0);
        climbs(Band.MHZ_18, Optional.empty(), 100, key -> assertTrue(key.driveW() <= 3.501));
        assertEquals(table().kind(), DriveKind.AM);
        assertEquals(state().reached(), Optional.of(ClimbEnd.FULL_DRIVE), "a quarter is its full drive");
        assertEquals(DriveFor.usualOutputW(KETCH, DriveKind.AM), 120.0);
    }

    @Test
    public void anExciterThatGivesMoreThanAQuarterCannotBeginInAm() {
        leastW = 5;
        assertEquals(setup(Band.MHZ_18, Optional.empty()).withinDrive().driveLimitW(), 14.0, "in CW it can");
        mode = Mode.AM;
        TuneSetup setup = setup(Band.MHZ_18, Optional.empty());
        Refused refused = expectThrows(Refused.class, setup::withinDrive);
        assertEquals(refused.problems().get(0).code(), ProblemCode.BEYOND_EXCITER);
        assertEquals(refused.problems().get(0).found(), "5.0");
        assertEquals(Ladder.drivesW(setup, School.DRIVE_TABLE), List.of(5.0), "such a run of old is still read");
    }

    @Test
    public void rowsOfTwoKindsAreNeverTakenTogether() {
        mode = Mode.RTTY;
        climbs(Band.MHZ_18, Optional.empty(), 100);
        DriveBand standing = table();
        assertEquals(standing.kind(), DriveKind.LONG);
        BandGuard guard = BandGuard.to(Band.MHZ_18, asked(List.of(standing), 2), Optional.empty());
        assertEquals(guard.because(), BandGuard.Because.NEVER_MEASURED, "not as CW");
        mode = Mode.CW;
        filtered = false;
        climbs(Band.MHZ_18, Optional.empty(), 100);
        DriveBand unfiltered = table();
        assertEquals(unfiltered.kind(), DriveKind.UNFILTERED);
        assertEquals(unfiltered.driveFor(300).basis(), DriveFor.Basis.HARMONICS);
        assertEquals(
                BandGuard.to(Band.MHZ_18, asked(List.of(unfiltered), 2), Optional.empty())
                        .because(),
                BandGuard.Because.NEVER_MEASURED);
    }

    @Test
    public void aTripByDriveCountsInEveryKind() {
        mode = Mode.RTTY;
        climbs(Band.MHZ_18, Optional.empty(), 5.2);
        DriveBand standing = table();
        double tripW = standing.tripW().orElseThrow();
        mode = Mode.CW;
        climbs(Band.MHZ_18, Optional.empty(), 100);
        DriveBand carrier = table();
        BandGuard guard = BandGuard.to(Band.MHZ_18, asked(List.of(standing, carrier), 14), Optional.empty());
        assertEquals(guard.because(), BandGuard.Because.TRIPPED);
        assertEquals(guard.tripW().orElseThrow(), tripW);
        assertTrue(guard.uptoW().orElseThrow() < tripW);
    }

    @Test
    public void neverMeasuredInAmItStopsAtAQuarterThoughATripWouldLetMorePass() {
        climbs(Band.MHZ_18, Optional.empty(), 9);
        DriveBand tripped = table();
        assertTrue(tripped.capW() > 3.5, "cap " + tripped.capW());
        BandGuard guard = BandGuard.to(
                Band.MHZ_18,
                new BandGuard.Asked(KETCH, DriveKind.AM, List.of(tripped), Optional.of(2.0), 100),
                Optional.empty());
        assertEquals(guard.because(), BandGuard.Because.TRIPPED);
        assertEquals(guard.uptoW().orElseThrow(), 3.5, 1e-9, "14 W / 4");
        assertTrue(guard.firstW() <= 3.5 / 8 + 1e-9, "first " + guard.firstW());
    }

    /** Half of 1000 W was heat at 480 W; {@code 1000·√(P/480) − P} is the 454 W that lead from 20 to 70 °C at 215 W. */
    @Test
    public void aLongCarrierIsHeldToWhatTheHeatSinkStands() {
        mode = Mode.FM;
        DriveBand table = byHand();
        assertEquals(table.kind(), DriveKind.LONG);
        assertEquals(table.continuousW().orElseThrow(), 214, 2);
        assertEquals(table.driveFor(220).basis(), DriveFor.Basis.TOO_HOT);
        double uptoW = BandGuard.uptoW(table, 480);
        assertEquals(table.outputAtW(uptoW).orElseThrow(), 214, 2, "up to " + uptoW);
        mode = Mode.CW;
        assertTrue(BandGuard.uptoW(byHand(), 480) > 7.9, "for seconds it may");
    }

    @Test
    public void aSweepTellsADifferenceOnlyBeyondItsNoise() {
        climbs(Band.MHZ_18, Optional.empty(), 100);
        Optional<DriveBand> before = Optional.of(table());
        outputShare = 0.8;
        climbs(Band.MHZ_18, Optional.empty(), 100);
        DriveSweep less = DriveSweep.of(5, before, Optional.of(table()));
        assertEquals(less.changeDb().orElseThrow().value(), 10 * Math.log10(0.8), 0.05, "80 % is 0.97 dB less");
        assertTrue(less.isBeyondNoise(), "noise " + less.changeDb().get().halfWidth95());
        outputShare = 1;
        climbs(Band.MHZ_18, Optional.empty(), 100);
        DriveSweep same = DriveSweep.of(5, before, Optional.of(table()));
        assertEquals(same.changeDb().orElseThrow().value(), 0, 1e-9);
        assertTrue(same.changeDb().get().halfWidth95() > 0.02, "two eyes are two readings, though they read the same");
        outputShare = 0.995;
        climbs(Band.MHZ_18, Optional.empty(), 100);
        assertFalse(DriveSweep.of(5, before, Optional.of(table())).isBeyondNoise());
        assertEquals(DriveSweep.of(40, before, Optional.of(table())).lack(), Optional.of(DriveSweep.Lack.NOT_BOTH));
        assertEquals(DriveSweep.of(5, before, Optional.empty()).lack(), Optional.of(DriveSweep.Lack.NOT_BOTH));
    }
}
