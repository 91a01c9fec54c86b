package org.tubrin.core.run;

import java.time.Instant;
import java.util.stream.Stream;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.resonance.Weather;
import org.tubrin.core.scope.Trace;
import org.tubrin.core.scope.Trapezoid;
import org.tubrin.core.scope.Waveform;
import org.tubrin.core.station.Meter;
import org.tubrin.core.twin.Products;

/**
 * One thing that happened in a run. Nothing is ever taken back: an undone step is another event. Once stored, the form of
 * an event is read for ever; a change of form is a new version with a translation from the old.
 */
public sealed interface RunEvent {

    /** What is done about each kind of event; what is added to the kinds must be answered everywhere. */
    interface Cases<T> {
        T started(Started started);

        T checked(Checked checked);

        T notMeasured(NotMeasured notMeasured);

        T meterCorrected(MeterCorrected meterCorrected);

        T warm(Warm warm);

        T keyed(Keyed keyed);

        T unkeyed(Unkeyed unkeyed);

        T readingTaken(ReadingTaken readingTaken);

        T leftUnread(LeftUnread leftUnread);

        T rangeChosen(RangeChosen rangeChosen);

        T dialMoved(DialMoved dialMoved);

        T triedAgain(TriedAgain triedAgain);

        T finishBegun(FinishBegun finishBegun);

        T stepRecorded(StepRecorded stepRecorded);

        T stepUndone(StepUndone stepUndone);

        T signSeen(SignSeen signSeen);

        T productsRead(ProductsRead productsRead);

        T waveformSeen(WaveformSeen waveformSeen);

        T trapezoidSeen(TrapezoidSeen trapezoidSeen);

        T traceTaken(TraceTaken traceTaken);

        T schoolChosen(SchoolChosen schoolChosen);

        T weatherNoted(WeatherNoted weatherNoted);

        T conditionsNoted(ConditionsNoted conditionsNoted);

        T note(Note note);

        T finished(Finished finished);

        T abandoned(Abandoned abandoned);
    }

    /** Returns the answer of the case that this is. */
    <T> T in(Cases<T> cases);

    /** The version of the form that is written now. */
    int VERSION = 1;

    /** No control goes further, whatever its unit. */
    double MOST_POSITION = 20_000;

    /** The run began. */
    record Started(TuneSetup setup) implements RunEvent {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.started(this);
        }
    }

    /** The operator answered for a point. */
    record Checked(Check check) implements RunEvent {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.checked(this);
        }
    }

    /** A closing point of the signal was left, for want of an instrument. */
    record NotMeasured(Check check) implements RunEvent {
        public NotMeasured {
            new Checks()
                    .oneOf(
                            "check",
                            check.name(),
                            Stream.of(Check.values())
                                    .filter(Check::isOfTheSignal)
                                    .map(Check::name)
                                    .toList())
                    .done();
        }

        @Override
        public <T> T in(Cases<T> cases) {
            return cases.notMeasured(this);
        }
    }

    /** The record of a meter in use was corrected; what was read of it is worth what the corrected record says. */
    record MeterCorrected(Meter meter) implements RunEvent {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.meterCorrected(this);
        }
    }

    /** The heaters have been on since a moment. */
    record Warm(Instant heatersOnSince) implements RunEvent {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.warm(this);
        }
    }

    /** The key went down. */
    record Keyed() implements RunEvent {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.keyed(this);
        }
    }

    /** The key went up. */
    record Unkeyed() implements RunEvent {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.unkeyed(this);
        }
    }

    /** A meter was read; {@code confirmed} where the operator was asked whether it is so, and said yes. */
    record ReadingTaken(Reading reading, boolean confirmed) implements RunEvent {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.readingTaken(this);
        }
    }

    /** A meter was not read at the step in hand, and is not going to be. */
    record LeftUnread(ReadingRole role) implements RunEvent {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.leftUnread(this);
        }
    }

    /** A meter was switched to a range. */
    record RangeChosen(ReadingRole role, String range) implements RunEvent {
        public RangeChosen {
            new Checks().name("range", range).done();
        }

        @Override
        public <T> T in(Cases<T> cases) {
            return cases.rangeChosen(this);
        }
    }

    /** A dial stands at a mark, or another control where its unit says; the text as typed, or empty where a key moved it. */
    record DialMoved(Control control, String textAsTyped, double position) implements RunEvent {
        public DialMoved {
            new Checks()
                    .text("textAsTyped", textAsTyped, 0, 24)
                    .range("position", position, -1000, MOST_POSITION, control.unit())
                    .done();
        }

        @Override
        public <T> T in(Cases<T> cases) {
            return cases.dialMoved(this);
        }
    }

    /** The readings of the step in hand no longer hold, since something was changed: read again. */
    record TriedAgain() implements RunEvent {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.triedAgain(this);
        }
    }

    /** The step in hand is the last one: LOAD goes where it is to end, and PLATE alone is peaked. */
    record FinishBegun() implements RunEvent {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.finishBegun(this);
        }
    }

    /** The step in hand is done. */
    record StepRecorded() implements RunEvent {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.stepRecorded(this);
        }
    }

    /** The last step done is in hand again. */
    record StepUndone() implements RunEvent {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.stepUndone(this);
        }
    }

    /** The operator saw a sign. */
    record SignSeen(SeenSign sign) implements RunEvent {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.signSeen(this);
        }
    }

    /** Two-tone products were read on an analyser, of the exciter alone or through the amplifier. */
    record ProductsRead(SignalPath through, Products products) implements RunEvent {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.productsRead(this);
        }
    }

    /** What the waveform of two tones or speech looks like on a scope. */
    record WaveformSeen(Waveform waveform) implements RunEvent {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.waveformSeen(this);
        }
    }

    /** What the output over the drive looks like on a scope. */
    record TrapezoidSeen(Trapezoid trapezoid) implements RunEvent {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.trapezoidSeen(this);
        }
    }

    /** What a scope shows was taken over. */
    record TraceTaken(Trace trace) implements RunEvent {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.traceTaken(this);
        }
    }

    /** From here on the run goes by another school; what was read stays. */
    record SchoolChosen(School school) implements RunEvent {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.schoolChosen(this);
        }
    }

    /** The weather changed. */
    record WeatherNoted(Weather weather) implements RunEvent {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.weatherNoted(this);
        }
    }

    /** What the run is made under was noted; the last of them counts. */
    record ConditionsNoted(Conditions conditions) implements RunEvent {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.conditionsNoted(this);
        }
    }

    /** The operator wrote something down; 1 to 500 characters. */
    record Note(String text) implements RunEvent {
        public Note {
            new Checks().text("text", text, 1, 500).done();
        }

        @Override
        public <T> T in(Cases<T> cases) {
            return cases.note(this);
        }
    }

    /** The run ended with a card row. */
    record Finished() implements RunEvent {
        @Override
        public <T> T in(Cases<T> cases) {
            return cases.finished(this);
        }
    }

    /** The run ended without one; the reason has 0 to 500 characters. */
    record Abandoned(String reason) implements RunEvent {
        public Abandoned {
            new Checks().text("reason", reason, 0, 500).done();
        }

        @Override
        public <T> T in(Cases<T> cases) {
            return cases.abandoned(this);
        }
    }
}
