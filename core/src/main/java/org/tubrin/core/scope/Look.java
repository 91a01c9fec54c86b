package org.tubrin.core.scope;

import java.util.List;
import java.util.stream.Stream;

/** What is looked at over the load, in this order: first the exciter, so that what follows is the amplifier's own doing. */
public enum Look {
    /** Exciter alone, unmodulated. */
    EXCITER_CARRIER(1, false, Shows.VOLTS),
    EXCITER_TONES(2, false, Shows.BEAT),
    AMPLIFIER_CARRIER(3, true, Shows.VOLTS),
    /** Unmodulated, on a slow time base. */
    AMPLIFIER_RIPPLE(4, true, Shows.RIPPLE),
    AMPLIFIER_TONES(5, true, Shows.BEAT);

    /** What it is looked at for. */
    public enum Shows {
        /** Volts from peak to peak. */
        VOLTS,
        /** The envelope of two tones. */
        BEAT,
        /** How the carrier breathes. */
        RIPPLE
    }

    private final int place;
    private final boolean amplifies;
    private final Shows shows;

    Look(int place, boolean amplifies, Shows shows) {
        this.place = place;
        this.amplifies = amplifies;
        this.shows = shows;
    }

    /** Returns whether the amplifier is in line. */
    public boolean amplifies() {
        return amplifies;
    }

    /** Returns what it is looked at for. */
    public Shows shows() {
        return shows;
    }

    /** Returns whether two tones are sent. */
    public boolean hasTones() {
        return shows == Shows.BEAT;
    }

    /** Returns what may be said of it by eye: a carrier is clean, or has hair. */
    public List<Waveform> waveforms() {
        return shows == Shows.BEAT ? List.of(Waveform.values()) : List.of(Waveform.CLEAN, Waveform.HAIR);
    }

    /** Returns what may be said of its output over the drive; nothing of a carrier, whose drive stands still. */
    public List<Trapezoid> trapezoids() {
        return hasTones() ? List.of(Trapezoid.values()) : List.of();
    }

    /** Returns its place, from 1: where {@link #at} finds it. */
    public int place() {
        return place;
    }

    /** Returns the look at a place; the first for none. */
    public static Look at(double place) {
        return Stream.of(values())
                .filter(look -> look.place == place)
                .findFirst()
                .orElse(EXCITER_CARRIER);
    }
}
