package org.tubrin.core.scope;

import java.util.List;
import java.util.Optional;

/**
 * What was seen of a waveform: taken from the scope, or by eye.
 *
 * @param trace as taken
 * @param waveform the envelope, by eye
 * @param trapezoid output over drive, by eye
 */
public record Sight(Optional<Trace> trace, Optional<Waveform> waveform, Optional<Trapezoid> trapezoid) {
    public static final Sight NOTHING = new Sight(Optional.empty(), Optional.empty(), Optional.empty());

    public Sight with(Trace taken) {
        return new Sight(Optional.of(taken), waveform, trapezoid);
    }

    public Sight with(Waveform seen) {
        return new Sight(trace, Optional.of(seen), trapezoid);
    }

    public Sight with(Trapezoid seen) {
        return new Sight(trace, waveform, Optional.of(seen));
    }

    /** Returns whether it tells what a look is for. */
    public boolean tells(Look look) {
        return switch (look.shows()) {
            case VOLTS -> true;
            case RIPPLE -> waveform.isPresent() || trace.flatMap(Ripple::of).isPresent();
            case BEAT ->
                waveform.isPresent() || trace.flatMap(EnvelopeShape::of).isPresent();
        };
    }

    /** Returns what is wrong with the envelope, by the trace and else by eye; empty where it is clean. */
    public List<Waveform> envelope() {
        return trace.flatMap(EnvelopeShape::of)
                .map(EnvelopeShape::found)
                .orElseGet(() ->
                        waveform.filter(seen -> seen != Waveform.CLEAN).stream().toList());
    }

    /** Returns what is wrong with the output over the drive, by the trace and else by eye; empty where it is straight. */
    public List<Trapezoid> overDrive() {
        return trace.flatMap(TrapezoidShape::of)
                .map(TrapezoidShape::found)
                .orElseGet(() -> trapezoid.filter(seen -> seen != Trapezoid.STRAIGHT).stream()
                        .toList());
    }

    /** Returns whether a carrier is seen to breathe, by the trace and else by eye. */
    public boolean breathes() {
        return trace.flatMap(Ripple::of)
                .map(Ripple::isHeard)
                .orElseGet(() -> waveform.filter(Waveform.HAIR::equals).isPresent());
    }
}
