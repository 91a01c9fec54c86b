package org.tubrin.bench.campaign;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Random;
import org.tubrin.core.advice.Advice;
import org.tubrin.core.advice.Following;
import org.tubrin.core.advice.KeyClock;
import org.tubrin.core.advice.Move;
import org.tubrin.core.advice.NextMove;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.SeenSign;

/** A person who does what the next move says, and nothing else. */
final class Novice {
    private static final int MOST_MOVES = 250;
    /** Who looked so often why nothing moves gives it up. */
    private static final int MOST_STILLS = 3;

    private static final double SWITCHING_S = 1.5;
    /** What reading the meters takes before the key comes up. */
    private static final double READING_S = 1.5;

    private final Shack shack;
    private final Hand hand;
    private final Notebook notebook;
    private final double warmS;
    private int stills;

    Novice(Shack shack, Random random) {
        this.shack = shack;
        hand = new Hand(shack, random);
        warmS = shack.setup().tubes().tube().warmUpS() + 60;
        notebook = new Notebook(shack.setup());
        hand.range(output(Objects.requireNonNull(state().ranges().get(ReadingRole.OUTPUT))));
    }

    /** Tunes up; returns where the run stands when it has ended, or when there was no end to it. */
    RunState run() {
        for (int i = 0;
                i < MOST_MOVES && stills < MOST_STILLS && state().ending().isEmpty();
                i++) {
            Advice advice = NextMove.of(state(), now());
            follow(advice);
        }
        return state();
    }

    RunState state() {
        return notebook.state();
    }

    private Instant now() {
        return notebook.at(shack.nowS());
    }

    private void does(RunEvent event) {
        notebook.does(event, shack.nowS());
    }

    private void follow(Advice advice) {
        if (advice.move().in(new ByHand())) {
            for (RunEvent event : Following.events(advice, now())) {
                does(event instanceof RunEvent.DialMoved moved ? placed(moved) : event);
            }
        }
    }

    /** What a hand does of each move; the answer is whether it is then said to be done. */
    private final class ByHand implements Move.Cases<Boolean> {
        @Override
        public Boolean answer(Move.Answer answer) {
            shack.pass(1);
            shack.look(answer.check());
            return true;
        }

        @Override
        public Boolean switchHeatersOn(Move.SwitchHeatersOn switchHeatersOn) {
            does(new RunEvent.Warm(now().minusMillis(Math.round(1000 * warmS))));
            return false;
        }

        @Override
        public Boolean waitForWarmth(Move.WaitForWarmth waitForWarmth) {
            shack.pass(1);
            return true;
        }

        @Override
        public Boolean setDials(Move.SetDials setDials) {
            shack.pass(1);
            hand.set(Control.PLATE, setDials.plate());
            hand.set(Control.LOAD, setDials.load());
            return true;
        }

        @Override
        public Boolean turn(Move.Turn turn) {
            shack.pass(1);
            hand.set(turn.control(), turn.to());
            return true;
        }

        @Override
        public Boolean switchRange(Move.SwitchRange switchRange) {
            shack.pass(1);
            hand.range(output(switchRange.to()));
            return true;
        }

        @Override
        public Boolean rest(Move.Rest rest) {
            shack.pass(Math.min(rest.leftS() + 0.1, 600));
            return false;
        }

        @Override
        public Boolean keyAndPeak(Move.KeyAndPeak keyAndPeak) {
            keyDown(keyAndPeak);
            return false;
        }

        @Override
        public Boolean peakAndRead(Move.PeakAndRead peakAndRead) {
            shack.pass(1);
            return true;
        }

        @Override
        public Boolean keyAndRead(Move.KeyAndRead keyAndRead) {
            throw new IllegalStateException("not of a stage with dials: " + keyAndRead);
        }

        @Override
        public Boolean switchAndRead(Move.SwitchAndRead switchAndRead) {
            shack.pass(SWITCHING_S);
            Novice.this.keyAndRead(List.of(switchAndRead.role()));
            return false;
        }

        @Override
        public Boolean readOff(Move.ReadOff readOff) {
            throw new IllegalStateException("not of a stage with dials: " + readOff);
        }

        @Override
        public Boolean adjust(Move.Adjust adjust) {
            throw new IllegalStateException("not of a stage with dials: " + adjust);
        }

        @Override
        public Boolean turnDown(Move.TurnDown turnDown) {
            throw new IllegalStateException("not of a stage with dials: " + turnDown);
        }

        @Override
        public Boolean hold(Move.Hold hold) {
            throw new IllegalStateException("not of a stage with dials: " + hold);
        }

        @Override
        public Boolean leaveAlone(Move.LeaveAlone leaveAlone) {
            throw new IllegalStateException("not of a stage with dials: " + leaveAlone);
        }

        @Override
        public Boolean unkey(Move.Unkey unkey) {
            shack.pass(1);
            return true;
        }

        @Override
        public Boolean enterReadings(Move.EnterReadings enterReadings) {
            Novice.this.keyAndRead(enterReadings.missing());
            return false;
        }

        @Override
        public Boolean settleDoubt(Move.SettleDoubt settleDoubt) {
            shack.pass(2);
            Reading kept = Objects.requireNonNull(state().draft().readings().get(settleDoubt.role()));
            does(new RunEvent.ReadingTaken(kept, true));
            return false;
        }

        @Override
        public Boolean tellShape(Move.TellShape tellShape) {
            throw new IllegalArgumentException("a climb looks at no scope: " + tellShape);
        }

        @Override
        public Boolean enterPosition(Move.EnterPosition enterPosition) {
            does(new RunEvent.DialMoved(enterPosition.control(), "", shack.shown(enterPosition.control())));
            return false;
        }

        @Override
        public Boolean workThrough(Move.WorkThrough workThrough) {
            shack.pass(21);
            shack.lookWhyStill();
            stills += workThrough.drill() == Move.Drill.METERS_STILL ? 1 : 0;
            if (workThrough.drill() == Move.Drill.PLATE_CURRENT_WITHOUT_OUTPUT) {
                hand.set(Control.PLATE, shack.setup().preset().plate());
            }
            shack.reset();
            return true;
        }

        @Override
        public Boolean recordStep(Move.RecordStep recordStep) {
            shack.pass(1);
            return true;
        }

        @Override
        public Boolean writeDown(Move.WriteDown writeDown) {
            shack.pass(1);
            return true;
        }

        @Override
        public Boolean done(Move.Done done) {
            shack.pass(1);
            return true;
        }
    }

    private RunEvent placed(RunEvent.DialMoved moved) {
        return moved.control() == Control.DRIVE
                ? moved
                : new RunEvent.DialMoved(moved.control(), "", shack.shown(moved.control()));
    }

    private MeterRange output(String name) {
        return shack.setup()
                .channelFor(ReadingRole.OUTPUT)
                .flatMap(channel -> channel.range(name))
                .orElseThrow();
    }

    private void keyDown(Move.KeyAndPeak peak) {
        Following.keyed(state(), now()).forEach(this::does);
        if (!state().isKeyed()) {
            shack.pass(1);
            return;
        }
        KeyClock clock = KeyClock.of(state(), now());
        double untilS = shack.nowS() + clock.aimS() - READING_S;
        shack.key(true);
        shack.pass(0.4);
        hand.minds(state().stopsInView());
        if (letsGoAtAStop()) {
            return;
        }
        for (Control control : peak.order()) {
            if (control == Control.PLATE) {
                hand.plateFor(peak.aim(), untilS);
            } else if (peak.targetA().isPresent()) {
                ReadingRole role = peak.aim() == School.Aim.DIP ? ReadingRole.PLATE_CURRENT : ReadingRole.GRID_CURRENT;
                hand.loadTo(role, peak.targetA().get(), untilS);
            } else {
                hand.loadForOutput(untilS);
            }
        }
        if (!letsGoAtAStop()) {
            finishKeyDown(state().draft().inView());
        }
    }

    /** Whether a meter stands at its stop: then the key comes up at once, and what it showed is all that was read. */
    private boolean letsGoAtAStop() {
        Optional<Hand.Seen> seen = shack.keyed() ? hand.atStop() : Optional.empty();
        seen.ifPresent(one -> endKeyDown(List.of(reading(one.role(), one.shows()))));
        return seen.isPresent();
    }

    private RunEvent reading(ReadingRole role, double shows) {
        return new RunEvent.ReadingTaken(
                new Reading(
                        role,
                        Double.toString(shows),
                        shows,
                        state().setup().meterFor(role).orElseThrow().name(),
                        hand.range(role).name()),
                false);
    }

    private void keyAndRead(List<ReadingRole> roles) {
        does(new RunEvent.Keyed());
        shack.key(true);
        shack.pass(0.4);
        finishKeyDown(roles);
    }

    private void finishKeyDown(List<ReadingRole> roles) {
        List<RunEvent> read = new ArrayList<>();
        for (ReadingRole role : roles) {
            if (shack.keyed()) {
                read.add(reading(role, hand.reads(role)));
            }
        }
        endKeyDown(read);
    }

    private void endKeyDown(List<RunEvent> read) {
        boolean tripped = shack.tripped();
        shack.key(false);
        does(new RunEvent.Unkeyed());
        does(new RunEvent.DialMoved(Control.PLATE, "", shack.shown(Control.PLATE)));
        does(new RunEvent.DialMoved(Control.LOAD, "", shack.shown(Control.LOAD)));
        if (tripped) {
            does(new RunEvent.SignSeen(SeenSign.TRIP_GRID));
        } else {
            read.forEach(this::does);
        }
    }
}
