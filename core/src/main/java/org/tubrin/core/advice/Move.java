package org.tubrin.core.advice;

import java.util.List;
import java.util.Optional;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Check;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Doubt;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.School;
import org.tubrin.core.scope.Look;

/** What to do next: one act of one hand. */
public sealed interface Move {

    /** What is done about each kind of move; what is added to the kinds must be answered everywhere. */
    interface Cases<T> {
        T answer(Answer answer);

        T switchHeatersOn(SwitchHeatersOn switchHeatersOn);

        T waitForWarmth(WaitForWarmth waitForWarmth);

        T setDials(SetDials setDials);

        T turn(Turn turn);

        T switchRange(SwitchRange switchRange);

        T rest(Rest rest);

        T keyAndPeak(KeyAndPeak keyAndPeak);

        T peakAndRead(PeakAndRead peakAndRead);

        T keyAndRead(KeyAndRead keyAndRead);

        T switchAndRead(SwitchAndRead switchAndRead);

        T readOff(ReadOff readOff);

        T adjust(Adjust adjust);

        T turnDown(TurnDown turnDown);

        T hold(Hold hold);

        T leaveAlone(LeaveAlone leaveAlone);

        T unkey(Unkey unkey);

        T enterReadings(EnterReadings enterReadings);

        T settleDoubt(SettleDoubt settleDoubt);

        T enterPosition(EnterPosition enterPosition);

        T tellShape(TellShape tellShape);

        T workThrough(WorkThrough workThrough);

        T recordStep(RecordStep recordStep);

        T writeDown(WriteDown writeDown);

        T done(Done done);
    }

    /** Returns the answer of the case that this is. */
    <T> T in(Cases<T> cases);

    /** Answer for a point. */
    record Answer(Check check) implements Move {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.answer(this);
        }
    }

    /** Switch the heaters on, or say since when they are. */
    record SwitchHeatersOn(double warmUpS) implements Move {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.switchHeatersOn(this);
        }
    }

    /** Wait until the tubes are warm. */
    record WaitForWarmth(double leftS) implements Move {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.waitForWarmth(this);
        }
    }

    /** Set both dials before the first key-down. */
    record SetDials(double plate, double load, Preset.Source source) implements Move {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.setDials(this);
        }
    }

    /** Turn a control from where it stands to a place; the marks say how far, positive for heavier on LOAD. */
    record Turn(Control control, double from, double to, double marks) implements Move {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.turn(this);
        }
    }

    /** Switch a meter to another range. */
    record SwitchRange(String instrument, ReadingRole role, String from, String to) implements Move {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.switchRange(this);
        }
    }

    /** Rest with the key up. */
    record Rest(double leftS) implements Move {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.rest(this);
        }
    }

    /**
     * Key, turn what is named in this order, read, unkey.
     *
     * @param order what to turn
     * @param driveW at this drive
     * @param aim what PLATE is turned for
     * @param targetA current that LOAD is turned for, in amperes; absent where it is turned for output
     */
    record KeyAndPeak(List<Control> order, double driveW, School.Aim aim, Optional<Double> targetA) implements Move {
        public KeyAndPeak {
            order = List.copyOf(order);
        }

        @Override
        public <T> T in(Cases<T> cases) {
            return cases.keyAndPeak(this);
        }
    }

    /** The key is down: turn for the aim, read, unkey by the time aimed for. */
    record PeakAndRead(double aimS, School.Aim aim, Optional<Double> targetA) implements Move {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.peakAndRead(this);
        }
    }

    /** Key, read what is asked for, unkey: nothing is turned. The first key-down on a band is short, until its filter has followed. */
    record KeyAndRead(double driveW, boolean first) implements Move {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.keyAndRead(this);
        }
    }

    /** Turn a panel meter's switch, key once more, read, unkey: nothing else is turned. */
    record SwitchAndRead(String instrument, ReadingRole role, double driveW) implements Move {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.switchAndRead(this);
        }
    }

    /** The key is down: read, unkey by the time aimed for. */
    record ReadOff(double aimS) implements Move {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.readOff(this);
        }
    }

    /**
     * The key is down: turn a device's pot until the meter shows the aim, then read.
     *
     * @param device from 1
     * @param role what is read
     * @param from what the meter showed last, in the unit of the role
     * @param aim what it is to show
     */
    record Adjust(int device, ReadingRole role, double from, double aim) implements Move {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.adjust(this);
        }
    }

    /** The key is down: turn a device's pot to its minimum, then read. */
    record TurnDown(int device) implements Move {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.turnDown(this);
        }
    }

    /** The key is down: touch nothing for so long. */
    record Hold(int device, double leftS) implements Move {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.hold(this);
        }
    }

    /**
     * The antenna is in tune: its motor is left alone.
     *
     * @param leftS until it is looked at again, in seconds
     */
    record LeaveAlone(double leftS) implements Move {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.leaveAlone(this);
        }
    }

    /** The key has been down too long: up at once. */
    record Unkey(double elapsedS) implements Move {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.unkey(this);
        }
    }

    /** Enter what was read. */
    record EnterReadings(List<ReadingRole> missing) implements Move {
        public EnterReadings {
            missing = List.copyOf(missing);
        }

        @Override
        public <T> T in(Cases<T> cases) {
            return cases.enterReadings(this);
        }
    }

    /** Keep a doubtful entry, or enter it again. */
    record SettleDoubt(ReadingRole role, Doubt doubt) implements Move {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.settleDoubt(this);
        }
    }

    /** Say what a scope shows: take its trace over, or say it by eye. */
    record TellShape(Look look) implements Move {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.tellShape(this);
        }
    }

    /** Enter where a dial or the drive stands. */
    record EnterPosition(Control control) implements Move {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.enterPosition(this);
        }
    }

    /** Look at these, in this order, with the key up; then try again. */
    record WorkThrough(Drill drill) implements Move {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.workThrough(this);
        }
    }

    /** What is looked at in an order of its own. */
    enum Drill {
        PLATE_CURRENT_WITHOUT_OUTPUT,
        METERS_STILL,
        EFFICIENCY_TOO_HIGH,
        EFFICIENCY_LOW,
        GROWTH_TOO_HIGH,
        GROWTH_POOR,
        ARC_SEEN,
        TRIPPED,
        TRIPPED_PLATE,
        TRIPPED_REFLECTED,
        TRIPPED_HEAT,
        TRIPPED_INPUT,
        TRIPPED_OUTPUT,
        TRIPPED_FILTER,
        /** It was on where it is to be off, and stays off. */
        TRIPPED_BYPASSED,
        KNOB_SLIPS,
        /** A limit is passed at the least drive that exciter and pad give. */
        NEEDS_PAD
    }

    /** Record the step. */
    record RecordStep(double driveW) implements Move {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.recordStep(this);
        }
    }

    /** Write the row on the card; the run ends. */
    record WriteDown() implements Move {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.writeDown(this);
        }
    }

    /** Nothing more: the run has ended. */
    record Done() implements Move {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.done(this);
        }
    }
}
