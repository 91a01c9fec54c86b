package org.tubrin.core.practice;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.tubrin.core.advice.Advice;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.SeenSign;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.signs.Sign;

/**
 * An exercise being played. The same exercise and the same acts at the same times always come to the same. One thread.
 */
public final class Play {
    /** A simulated exciter lets go of the key by itself after so many seconds. */
    public static final double LONGEST_KEY_DOWN_S = 15;

    private final Exercise exercise;
    private final TuneSetup setup;
    private final HiddenTruth truth;
    private final PlayNotes notes;
    private final PlayedStation station;
    private final Map<Hidden, Double> righted = new EnumMap<>(Hidden.class);
    private final List<Said> said = new ArrayList<>();
    private List<Sign.Code> signs = List.of();
    private boolean ended;

    /** Something that was said to be wrong, and whether it was; with what the readings said by then. */
    public record Said(Hidden hidden, double atS, boolean right, List<Sign.Code> signs) {
        public Said {
            signs = List.copyOf(signs);
        }
    }

    /** Begins an exercise at a moment. */
    public Play(Exercise exercise, Instant start) {
        this.exercise = exercise;
        setup = exercise.setup();
        truth = new HiddenTruth(exercise, setup);
        notes = new PlayNotes(setup, start, exercise.helped());
        station = new PlayedStation(exercise, setup, truth, new Listening());
        noteRight();
    }

    /** Returns a play after all that was done in it. */
    public static Play of(Exercise exercise, Instant start, List<Act.Timed> acts) {
        Play play = new Play(exercise, start);
        for (Act.Timed one : acts) {
            play.pass(one.atS());
            play.does(one.act());
        }
        return play;
    }

    /** Writes down what goes on by itself. */
    private final class Listening implements PlayedStation.Witness {
        @Override
        public void trips() {
            notes.does(new RunEvent.SignSeen(SeenSign.TRIP_GRID), nowS());
        }

        @Override
        public void snaps() {
            notes.does(new RunEvent.SignSeen(SeenSign.ARC), nowS());
        }

        @Override
        public void keyCameUp() {
            notes.does(new RunEvent.Unkeyed(), nowS());
            noteStands();
        }

        @Override
        public List<Sign.Code> signs() {
            return signs;
        }
    }

    /** Returns the best that may be had of the station as it is, matched, with what is broken still broken. */
    public WithinLimits.At best() {
        return new WithinLimits(station.stage(), setup).best();
    }

    /** Returns what may be had at the dials as they stand. */
    public WithinLimits.At left() {
        return new WithinLimits(station.stage(), setup).at(station.behind(Control.PLATE), station.behind(Control.LOAD));
    }

    TrueStage stage() {
        return station.stage();
    }

    HiddenTruth truth() {
        return truth;
    }

    public Exercise exercise() {
        return exercise;
    }

    public TuneSetup setup() {
        return setup;
    }

    /** Returns the run that was written down. */
    public RunState state() {
        return notes.state();
    }

    /** Returns the next move, as the run that was written down has it. */
    public Advice advice() {
        return notes.advice(nowS());
    }

    /** Returns the moment that it is, as the run counts it. */
    public Instant now() {
        return notes.at(nowS());
    }

    /** Returns how many seconds after the start it is. */
    public double nowS() {
        return station.nowS();
    }

    public boolean ended() {
        return ended;
    }

    public boolean keyed() {
        return station.keyed();
    }

    /** Returns how long a carrier stood, in seconds. */
    public double carrierS() {
        return station.carrierS();
    }

    /** Returns how hot the plates were at most, as a share of what their rated heat makes them. */
    public double hottestShare() {
        return station.hottestShare();
    }

    /** Returns what was said to be wrong, in its order. */
    public List<Said> said() {
        return List.copyOf(said);
    }

    /** Returns what was hidden and was right at some time, with the first such moment in seconds after the start. */
    public Map<Hidden, Double> righted() {
        return Map.copyOf(righted);
    }

    public Course course() {
        return station.course();
    }

    /** Returns all that is to be seen now. */
    public Panel panel() {
        return station.panel();
    }

    /** Returns what a meter of the climb would show, whatever the switch stands on; empty where there is none. */
    public Optional<Panel.Showing> shows(ReadingRole role) {
        return station.shows(role);
    }

    /** Returns the drive at the amplifier by what the exciter is set to, in watts, or where a dial stands. */
    public double stands(Control control) {
        return station.stands(control);
    }

    /** Lets time go on until so many seconds after the start; nothing happens once it ended. */
    public void pass(double untilS) {
        if (!ended) {
            station.pass(untilS);
        }
    }

    /** Returns why an act cannot be done now; empty where it can. */
    public List<Problem> refusals(Act act) {
        return ended
                ? List.of(new Problem(ProblemCode.RUN_ENDED, "act", "", new Allowed.Nothing()))
                : act.in(new Refusing(exercise, setup));
    }

    /** Does an act that is not refused; another changes nothing. */
    public void does(Act act) {
        if (refusals(act).isEmpty()) {
            act.in(new Doing()).run();
            notes.answer(nowS());
            noteRight();
            station.sample();
        }
    }

    /** Takes down which of the hidden things are right by now. */
    private void noteRight() {
        for (Hidden one : exercise.hidden()) {
            if (!righted.containsKey(one) && station.isRight(one)) {
                righted.put(one, nowS());
            }
        }
    }

    /** Writes down where the controls stand. */
    private void noteStands() {
        for (Control control : List.of(Control.DRIVE, Control.PLATE, Control.LOAD)) {
            double stands = stands(control);
            if (notes.state()
                    .draft()
                    .position(control)
                    .filter(known -> known == stands)
                    .isEmpty()) {
                notes.does(new RunEvent.DialMoved(control, "", stands), nowS());
            }
        }
    }

    private void noteReadings() {
        Set<ReadingRole> seen = EnumSet.noneOf(ReadingRole.class);
        for (Panel.Showing one : panel().meters()) {
            if (setup.rolesAsked().contains(one.role()) && seen.add(one.role())) {
                String text = Double.toString(
                        Math.rint(1000 * one.value() / one.unit().inUnit()) / 1000);
                Reading reading = new Reading(
                        one.role(), text, one.value(), one.meter(), one.range().name());
                notes.does(new RunEvent.ReadingTaken(reading, false), nowS());
            }
        }
    }

    /** What each act does. */
    private final class Doing implements Act.Cases<Runnable> {
        @Override
        public Runnable turned(Act.Turned turned) {
            return () -> {
                station.turn(turned.control(), turned.to());
                if (!station.keyed()) {
                    noteStands();
                }
            };
        }

        @Override
        public Runnable keyed(Act.Keyed key) {
            return () -> {
                if (key.down() && !station.keyed()) {
                    notes.answer(nowS());
                    notes.keyed(nowS());
                    station.keyDown();
                } else if (!key.down()) {
                    station.keyUp();
                }
            };
        }

        @Override
        public Runnable bandSet(Act.BandSet set) {
            return () -> station.band(set.band());
        }

        @Override
        public Runnable modeSet(Act.ModeSet set) {
            return () -> station.mode(set.mode());
        }

        @Override
        public Runnable operateSet(Act.OperateSet set) {
            return () -> station.operate(set.on());
        }

        @Override
        public Runnable meterSwitched(Act.MeterSwitched to) {
            return () -> station.show(to.to());
        }

        @Override
        public Runnable rangeSet(Act.RangeSet set) {
            return () -> {
                station.range(set.to());
                notes.does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, set.to()), nowS());
            };
        }

        @Override
        public Runnable detectorSet(Act.DetectorSet set) {
            return () -> station.holds(set.holds());
        }

        @Override
        public Runnable matched(Act.Matched matched) {
            return station::startMatching;
        }

        @Override
        public Runnable reset(Act.Reset reset) {
            return station::reset;
        }

        @Override
        public Runnable read(Act.Read read) {
            return () -> {
                noteStands();
                noteReadings();
                signs = notes.signs();
            };
        }

        @Override
        public Runnable done(Act.Done done) {
            return () -> {
                if (exercise.helped()) {
                    notes.follow(advice(), nowS(), Play.this::stands);
                } else {
                    noteStands();
                    notes.does(new RunEvent.StepRecorded(), nowS());
                }
            };
        }

        @Override
        public Runnable named(Act.Named named) {
            return () -> {
                boolean right = truth.mend(named.hidden());
                said.add(new Said(named.hidden(), nowS(), right, signs));
                if (right) {
                    station.mended();
                } else {
                    station.namedWrongly();
                }
            };
        }

        @Override
        public Runnable ended(Act.Ended over) {
            return () -> {
                station.keyUp();
                ended = true;
            };
        }
    }
}
