package org.tubrin.core.practice;

import org.tubrin.core.tank.Dial;

/** A knob on a shaft with play: the part behind it follows only when the play is taken up. */
public final class Knob {
    private final Dial dial;
    private final double play;
    private double shown;
    private double behind;

    /** A knob at a mark, with so many marks of play. */
    public Knob(Dial dial, double at, double play) {
        this.dial = dial;
        this.play = play;
        shown = at;
        behind = at;
    }

    /** Turns the knob to a mark, stopped at the ends. */
    public void turn(double to) {
        shown = dial.clamp(to);
        if (shown > behind + play / 2) {
            behind = shown - play / 2;
        } else if (shown < behind - play / 2) {
            behind = shown + play / 2;
        }
    }

    /** Returns how far it turns before the part behind it follows, in marks. */
    public double play() {
        return play;
    }

    /** Returns the mark under the pointer. */
    public double shown() {
        return shown;
    }

    /** Returns the mark at which the part behind stands. */
    public double behind() {
        return behind;
    }
}
