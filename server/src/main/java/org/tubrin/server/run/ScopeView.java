package org.tubrin.server.run;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.scope.Look;
import org.tubrin.core.scope.Trace;
import org.tubrin.core.scope.Trapezoid;
import org.tubrin.core.scope.Waveform;

/**
 * What a scope over the load is looked at for, and showed.
 *
 * @param looks all of them, in their order
 * @param shows what the trace in hand, or the last one, shows; absent before one was taken
 * @param envelope as said by eye of the look in hand
 * @param trapezoid the same of the output over the drive
 * @param says what follows, one sentence each
 * @param envelopes what may be said by eye of the envelope of the look in hand
 * @param trapezoids what may be said by eye of its output over the drive; nothing of a carrier
 */
public record ScopeView(
        List<LookView> looks,
        @Nullable TraceView shows,
        @Nullable Waveform envelope,
        @Nullable Trapezoid trapezoid,
        List<String> says,
        List<EnvelopeChoice> envelopes,
        List<TrapezoidChoice> trapezoids) {

    /**
     * One look: the last that was taken of it.
     *
     * @param tones whether two tones are sent, of which a wattmeter shows the average
     * @param expected volts from peak to peak, with their unit
     * @param read the same as read, with its interval; absent before
     * @param byVolts the watts that those tell, with their interval
     * @param byMeter the watts of a wattmeter, with theirs
     * @param apart whether both disagree beyond what they leave open
     * @param found what it showed, one sentence each
     * @param clean whether that is as it should be; absent before
     * @param next whether it is the one in hand
     */
    public record LookView(
            Look look,
            String name,
            boolean tones,
            @Nullable String expected,
            @Nullable String read,
            @Nullable String byVolts,
            @Nullable String byMeter,
            boolean apart,
            List<String> found,
            @Nullable Boolean clean,
            boolean next) {}

    /** A trace, what it is of, and the peak volts that a straight amplifier would have brought at its greatest drive. */
    public record TraceView(
            Look look, String name, Trace trace, @Nullable Double straightV) {}

    /** An envelope by eye. */
    public record EnvelopeChoice(Waveform code, String name) {}

    /** An output over the drive by eye. */
    public record TrapezoidChoice(Trapezoid code, String name) {}
}
