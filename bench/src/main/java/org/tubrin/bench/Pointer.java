package org.tubrin.bench;

import java.util.Random;
import org.tubrin.core.practice.Movement;

/**
 * A meter's movement and electronics: it follows in first order, errs by a share of full scale that grows with the reading
 * and by one at zero, is a little restless, and stops at the end of its range.
 */
final class Pointer {
    private static final double END = 1.02;
    private final double classShare;
    private final double gain;
    private final double zeroShare;
    private final Random random;
    private double fullScale;
    private final Movement movement;

    /** A movement whose errors within the class belong to the seed. */
    Pointer(double fullScale, double classShare, double timeS, Random random) {
        this.fullScale = fullScale;
        this.classShare = classShare;
        movement = new Movement(timeS);
        this.random = random;
        gain = 1 + 0.5 * classShare * (2 * random.nextDouble() - 1);
        zeroShare = 0.25 * classShare * (2 * random.nextDouble() - 1);
    }

    void range(double end) {
        fullScale = end;
    }

    double range() {
        return fullScale;
    }

    /** Lets it follow a true value for so many seconds. */
    void follow(double value, double seconds) {
        movement.follow(value, seconds);
    }

    /** Returns what it shows, as an average or as the highest of the last seconds. */
    double shows(boolean held) {
        double value = held ? Math.max(movement.peak(), movement.at()) : movement.at();
        double restless = 0.04 * classShare * random.nextGaussian();
        double shown = gain * value + (zeroShare + restless) * fullScale;
        return Math.max(-0.05 * fullScale, Math.min(END * fullScale, shown));
    }
}
