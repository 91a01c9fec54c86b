package org.tubrin.core.practice;

import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.run.Control;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Mode;

/** One thing that is done at the panel of an exercise. Once stored, its form is read for ever. */
public sealed interface Act {
    /** What is made of each kind. */
    interface Cases<T> {
        T turned(Turned turned);

        T keyed(Keyed keyed);

        T bandSet(BandSet bandSet);

        T modeSet(ModeSet modeSet);

        T operateSet(OperateSet operateSet);

        T meterSwitched(MeterSwitched meterSwitched);

        T rangeSet(RangeSet rangeSet);

        T detectorSet(DetectorSet detectorSet);

        T matched(Matched matched);

        T reset(Reset reset);

        T read(Read read);

        T done(Done done);

        T named(Named named);

        T ended(Ended ended);
    }

    /** Returns what is made of the kind that this is. */
    <T> T in(Cases<T> cases);

    /** PLATE or LOAD stands at a mark, or the exciter's power at so many watts. */
    record Turned(Control control, double to) implements Act {
        public Turned {
            new Checks()
                    .oneOf(
                            "control",
                            control.name(),
                            java.util.List.of(Control.PLATE.name(), Control.LOAD.name(), Control.DRIVE.name()))
                    .range("to", to, -1000, 2000, Unit.ONE)
                    .done();
        }

        @Override
        public <T> T in(Cases<T> cases) {
            return cases.turned(this);
        }
    }

    /** The key went down or up. */
    record Keyed(boolean down) implements Act {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.keyed(this);
        }
    }

    /** The amplifier's band switch was set. */
    record BandSet(Band band) implements Act {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.bandSet(this);
        }
    }

    /** The exciter's mode was set. */
    record ModeSet(Mode mode) implements Act {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.modeSet(this);
        }
    }

    /** The amplifier was put in operate or standby. */
    record OperateSet(boolean on) implements Act {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.operateSet(this);
        }
    }

    /** The panel meter's switch was set to what it is to show. */
    record MeterSwitched(ReadingRole to) implements Act {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.meterSwitched(this);
        }
    }

    /** The wattmeter was set to a range. */
    record RangeSet(String to) implements Act {
        public RangeSet {
            new Checks().name("to", to).done();
        }

        @Override
        public <T> T in(Cases<T> cases) {
            return cases.rangeSet(this);
        }
    }

    /** The wattmeter was set to hold peaks, or to follow. */
    record DetectorSet(boolean holds) implements Act {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.detectorSet(this);
        }
    }

    /** The antenna's matcher was told to tune. */
    record Matched() implements Act {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.matched(this);
        }
    }

    /** A protection that acted was reset. */
    record Reset() implements Act {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.reset(this);
        }
    }

    /** All meters in view were read. */
    record Read() implements Act {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.read(this);
        }
    }

    /** What the next move says was done; without help, the step is recorded. */
    record Done() implements Act {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.done(this);
        }
    }

    /** Something was said to be wrong; where it is, it is put right. */
    record Named(Hidden hidden) implements Act {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.named(this);
        }
    }

    /** The exercise ended: the dials stay as they are. */
    record Ended() implements Act {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.ended(this);
        }
    }

    /** What was done, so many seconds after the start. */
    record Timed(double atS, Act act) {}
}
