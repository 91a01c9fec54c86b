package org.tubrin.bench.foreign;

import java.util.Random;
import org.tubrin.core.tank.Dial;

/** How far a capacitor whose plates were cut departs from its law, over its dial: straight between five places. */
final class Cut {
    private static final double MOST_MARKS = 0.15;
    private static final int PLACES = 5;

    private final double[] marks = new double[PLACES];

    Cut(Random random) {
        for (int i = 0; i < PLACES; i++) {
            marks[i] = MOST_MARKS * (2 * random.nextDouble() - 1);
        }
    }

    /** Returns where a capacitor that keeps its law would stand for a position of the dial. */
    double behind(Dial dial, double position) {
        double share = (dial.clamp(position) - dial.least()) / (dial.most() - dial.least());
        double place = share * (PLACES - 1);
        int low = (int) Math.min(PLACES - 2, Math.floor(place));
        return position + (marks[low] + (place - low) * (marks[low + 1] - marks[low])) * dial.markStep();
    }
}
