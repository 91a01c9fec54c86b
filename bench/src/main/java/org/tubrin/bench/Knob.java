package org.tubrin.bench;

import org.tubrin.core.tank.Dial;

/** A knob on a shaft with play: the part behind it follows only when the play is taken up. */
final class Knob {
    private final Dial dial;
    private final double play;
    private double shown;
    private double behind;

    Knob(Dial dial, double at, double play) {
        this.dial = dial;
        this.play = play;
        shown = at;
        behind = at;
    }

    /** Turns the knob to a mark, stopped at the ends. */
    void turn(double to) {
        shown = dial.clamp(to);
        if (shown > behind + play / 2) {
            behind = shown - play / 2;
        } else if (shown < behind - play / 2) {
            behind = shown + play / 2;
        }
    }

    /** Returns the mark under the pointer. */
    double shown() {
        return shown;
    }

    /** Returns the mark at which the part behind stands. */
    double behind() {
        return behind;
    }
}
